import type { Area } from "../../parts/area";
import { trayQuery, traysQuery } from "./queries";
import { Waiting } from "./Waiting";

export const area: Area = {
  node: { path: "/bench", name: "Bench", key: "b", order: 35, Waiting },
  screens: [
    { path: "/bench", title: "Bench", load: () => import("./Bench").then((m) => m.Bench) },
    { path: "/bench/wanted", title: "Wanted", load: () => import("./Wanted").then((m) => m.Wanted) },
    { path: "/bench/ways", title: "Ways", load: () => import("./Ways").then((m) => m.Ways) },
    { path: "/bench/trays", title: "Trays", load: () => import("./Trays").then((m) => m.Trays) },
    { path: "/bench/trays/:id", title: "A tray", load: () => import("./Tray").then((m) => m.Tray) },
    { path: "/bench/seeds", title: "Seeds", load: () => import("./Seeds").then((m) => m.Seeds) },
    {
      path: "/bench/volunteers",
      title: "Volunteers",
      load: () => import("./Volunteers").then((m) => m.Volunteers),
    },
    { path: "/bench/mix", title: "Mix", load: () => import("./Mix").then((m) => m.Mix) },
    {
      path: "/bench/setting-out",
      title: "Setting out",
      load: () => import("./SettingOut").then((m) => m.SettingOut),
    },
    { path: "/bench/family", title: "Family", load: () => import("./Family").then((m) => m.Family) },
  ],
  takeAlong: async (client) => {
    const trays = await client.fetchQuery(traysQuery);
    for (const tray of trays.trays) await client.prefetchQuery(trayQuery(tray.id));
  },
};
