import type { Area } from "../../parts/area";

export const area: Area = {
  node: { path: "/settings", name: "Settings", key: "e", order: 99, foot: true },
  screens: [
    { path: "/settings", title: "Settings", load: () => import("./Settings").then((m) => m.Settings) },
    { path: "/settings/home", title: "At home", load: () => import("./home/AtHome").then((m) => m.AtHome) },
    {
      path: "/settings/kept",
      title: "On this device",
      load: () => import("./Kept").then((m) => m.KeptHere),
    },
    {
      path: "/settings/notices",
      title: "What it is made of",
      load: () => import("./Notices").then((m) => m.Notices),
    },
  ],
};
