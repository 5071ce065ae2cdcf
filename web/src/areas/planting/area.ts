import { plantingQuery, plotQuery } from "../../api/queries";
import type { Area } from "../../parts/area";

export const area: Area = {
  screens: [
    {
      path: "/plantings/:id",
      title: "A planting",
      load: () => import("./Planting").then((m) => m.Planting),
      days: true,
    },
  ],
  takeAlong: async (client) => {
    const plot = await client.fetchQuery(plotQuery());
    for (const { id } of plot.beds.flatMap((bed) => bed.plantings))
      await client.prefetchQuery(plantingQuery(id));
  },
};
