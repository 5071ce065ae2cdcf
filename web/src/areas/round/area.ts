import { roundQuery } from "../../api/queries";
import type { Area } from "../../parts/area";
import { Waiting } from "./Waiting";

export const area: Area = {
  node: { path: "/round", name: "Round", key: "r", order: 30, outdoors: true, Waiting },
  screens: [
    {
      path: "/round",
      title: "The round",
      load: () => import("./Round").then((m) => m.Round),
      ask: (client) => client.prefetchQuery(roundQuery),
    },
  ],
  takeAlong: (client) => client.prefetchQuery(roundQuery),
};
