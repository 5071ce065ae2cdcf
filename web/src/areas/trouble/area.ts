import { roundQuery } from "../../api/queries";
import type { Area } from "../../parts/area";
import { troubleQuery } from "./queries";

export const area: Area = {
  screens: [
    {
      path: "/trouble/:mark",
      title: "Trouble",
      load: () => import("./TroublePage").then((m) => m.TroublePage),
    },
  ],
  takeAlong: async (client) => {
    const round = await client.fetchQuery(roundQuery);
    for (const mark of round.marks) await client.prefetchQuery(troubleQuery(mark));
  },
};
