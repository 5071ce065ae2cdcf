import type { Area } from "../../parts/area";

export const area: Area = {
  node: { path: "/settings", name: "Settings", key: "e", order: 99, foot: true },
  screens: [
    { path: "/settings", title: "Settings", load: () => import("./Settings").then((m) => m.Settings) },
  ],
};
