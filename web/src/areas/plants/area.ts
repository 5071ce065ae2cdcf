import { everyPlant, plantsQuery } from "../../api/queries";
import type { Area } from "../../parts/area";

export const area: Area = {
  node: { path: "/plants", name: "Plants", key: "l", order: 50, outdoors: true },
  screens: [
    {
      path: "/plants",
      title: "Plants",
      load: () => import("./Plants").then((m) => m.Plants),
      days: true,
      ask: (client, day) => client.prefetchQuery(plantsQuery(everyPlant, day)),
    },
    {
      path: "/plants/compare/:ids",
      title: "Plants side by side",
      load: () => import("./Compare").then((m) => m.Compare),
      days: true,
    },
    {
      path: "/plants/own/:id?",
      title: "A plant of your own",
      load: () => import("./OwnPlant").then((m) => m.OwnPlant),
      days: true,
    },
    { path: "/plants/:id", title: "A plant", load: () => import("./Plant").then((m) => m.Plant), days: true },
  ],
};
