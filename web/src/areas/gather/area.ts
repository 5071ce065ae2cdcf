import type { Area } from "../../parts/area";
import { Waiting } from "./Waiting";

export const area: Area = {
  node: { path: "/gather", name: "Gather", key: "g", order: 40, outdoors: true, Waiting },
  screens: [
    { path: "/gather", title: "Gather", load: () => import("./Gather").then((m) => m.Gather), days: true },
  ],
};
