import type { Area } from "../../parts/area";

export const area: Area = {
  screens: [{ path: "/begin", title: "Begin", load: () => import("./Begin").then((m) => m.Begin) }],
};
