import type { Area } from "../../parts/area";

export const area: Area = {
  screens: [
    {
      path: "/plantings/:id",
      title: "A planting",
      load: () => import("./Planting").then((m) => m.Planting),
      days: true,
    },
  ],
};
