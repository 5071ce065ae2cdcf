import type { Area } from "../../parts/area";

export const area: Area = {
  screens: [
    {
      path: "/trouble/:mark",
      title: "Trouble",
      load: () => import("./TroublePage").then((m) => m.TroublePage),
    },
  ],
};
