import type { Area } from "../../parts/area";
import { spreadQuery } from "./queries";
import { Waiting } from "./Waiting";

export const area: Area = {
  node: { path: "/spread", name: "Spread", key: "s", order: 38, Waiting },
  screens: [
    {
      path: "/spread",
      title: "Spread",
      load: () => import("./Spread").then((m) => m.Spread),
      ask: (client) => client.prefetchQuery(spreadQuery(false, firstYear)),
    },
    { path: "/spread/hold", title: "Hold it", load: () => import("./Hold").then((m) => m.Hold) },
    { path: "/spread/came-up", title: "What came up", load: () => import("./CameUp").then((m) => m.CameUp) },
    {
      path: "/spread/overtaken",
      title: "Overtaken?",
      load: () => import("./Overtaken").then((m) => m.Overtaken),
    },
    { path: "/spread/after", title: "After the crop", load: () => import("./After").then((m) => m.After) },
    {
      path: "/spread/balance",
      title: "Worth and harm",
      load: () => import("./Balance").then((m) => m.Balance),
    },
    { path: "/spread/hold/:id", title: "Hold it", load: () => import("./Hold").then((m) => m.Hold) },
  ],
};

/** The year whose map is drawn first, before all others have come. */
const firstYear = 3;
