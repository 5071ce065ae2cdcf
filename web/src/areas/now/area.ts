import { nowQuery } from "../../api/queries";
import type { Area } from "../../parts/area";
import { Waiting } from "./Waiting";

export const area: Area = {
  node: {
    path: "/",
    name: "Now",
    key: "n",
    order: 10,
    outdoors: true,
    Waiting,
    also: ["/week", "/year", "/trouble"],
  },
  screens: [
    {
      path: "/",
      title: "Now",
      load: () => import("./Now").then((m) => m.Now),
      days: true,
      ask: (client, day) => client.prefetchQuery(nowQuery(day)),
    },
    { path: "/week", title: "The week", load: () => import("./Week").then((m) => m.Week), days: true },
  ],
  takeAlong: (client) => client.prefetchQuery(nowQuery()),
};
