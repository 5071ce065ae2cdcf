import { plotQuery } from "../../api/queries";
import type { Area } from "../../parts/area";

export const area: Area = {
  node: { path: "/plot", name: "Plot", key: "p", order: 20, outdoors: true, also: ["/plantings"] },
  screens: [
    {
      path: "/plot",
      title: "Plot",
      load: () => import("./Plot").then((m) => m.Plot),
      days: true,
      ask: (client, day) => client.prefetchQuery(plotQuery(day)),
    },
  ],
  takeAlong: (client) => client.prefetchQuery(plotQuery()),
};
