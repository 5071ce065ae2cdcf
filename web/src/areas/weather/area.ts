import type { Area } from "../../parts/area";

export const area: Area = {
  node: { path: "/weather", name: "Weather", key: "w", order: 95, foot: true },
  screens: [
    { path: "/weather", title: "Weather", load: () => import("./Weather").then((m) => m.Weather) },
    { path: "/weather/water", title: "Water", load: () => import("./Water").then((m) => m.Water) },
    {
      path: "/weather/climate",
      title: "The climate",
      load: () => import("./Climate").then((m) => m.Climate),
    },
  ],
};
