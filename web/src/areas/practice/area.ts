import type { Area } from "../../parts/area";

export const area: Area = {
  screens: [
    { path: "/practice", title: "Telling apart", load: () => import("./Practice").then((m) => m.Practice) },
    {
      path: "/practice/:species/:other",
      title: "A specimen",
      load: () => import("./Specimen").then((m) => m.Specimen),
    },
  ],
};
