import { lastLooker } from "../../api/device";
import { checkQuery, findCheckQuery, findsQuery, plotQuery } from "../../api/queries";
import type { Area } from "../../parts/area";

export const area: Area = {
  screens: [
    {
      path: "/plantings/:id/check",
      title: "A check",
      load: () => import("./Check").then((m) => m.Check),
      days: true,
    },
    {
      path: "/finds/:id/check",
      title: "The check of a find",
      load: () => import("./Check").then((m) => m.FindCheck),
    },
    { path: "/what", title: "What is this?", load: () => import("./What").then((m) => m.What) },
    {
      path: "/characters",
      title: "Characters, drawn",
      load: () => import("./Characters").then((m) => m.Characters),
    },
  ],
  takeAlong: async (client) => {
    const plot = await client.fetchQuery(plotQuery());
    const by = lastLooker();
    for (const { id } of plot.beds.flatMap((bed) => bed.plantings))
      await client.prefetchQuery(checkQuery(id, undefined, by));
    for (const find of await client.fetchQuery(findsQuery))
      await client.prefetchQuery(findCheckQuery(find.id, undefined, by));
  },
};
