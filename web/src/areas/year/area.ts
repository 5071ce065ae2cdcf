import type { Area } from "../../parts/area";

export const area: Area = {
  screens: [
    { path: "/year", title: "The year behind", load: () => import("./Year").then((m) => m.Year), days: true },
  ],
};
