import { basketsQuery, gatherQuery } from "../../api/queries";
import type { Area } from "../../parts/area";
import { outQuery, seasonPlanQuery } from "./queries";
import { Waiting } from "./Waiting";

export const area: Area = {
  node: { path: "/gather", name: "Gather", key: "g", order: 40, outdoors: true, Waiting },
  screens: [
    { path: "/gather", title: "Gather", load: () => import("./Gather").then((m) => m.Gather), days: true },
    {
      path: "/gather/plan",
      title: "Plan of the season",
      load: () => import("./plan/Plan").then((m) => m.Plan),
      days: true,
      ask: (client, day) => client.prefetchQuery(seasonPlanQuery(day, 0)),
    },
    { path: "/gather/out", title: "Out to pick", load: () => import("./out/Out").then((m) => m.Out) },
    {
      path: "/gather/needs",
      title: "Needs and means",
      load: () => import("./NeedsAndMeans").then((m) => m.NeedsAndMeans),
    },
    { path: "/gather/worth", title: "Worth it?", load: () => import("./WorthIt").then((m) => m.WorthIt) },
    { path: "/gather/roots", title: "Roots", load: () => import("./roots/Roots").then((m) => m.Roots) },
    {
      path: "/gather/roots/:species/:bed",
      title: "Roots",
      load: () => import("./roots/Roots").then((m) => m.Roots),
    },
  ],
  takeAlong: async (client) => {
    await client.prefetchQuery(outQuery);
    await client.prefetchQuery(basketsQuery);
    await client.prefetchQuery(gatherQuery());
  },
};
