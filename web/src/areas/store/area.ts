import type { Area } from "../../parts/area";
import { storeQuery } from "./queries";
import { Waiting } from "./Waiting";

export const area: Area = {
  node: { path: "/store", name: "Store", key: "t", order: 45, Waiting },
  screens: [
    {
      path: "/store",
      title: "Store",
      load: () => import("./Shelves").then((m) => m.Shelves),
      ask: (client) => client.prefetchQuery(storeQuery),
    },
    { path: "/store/drier", title: "Drier", load: () => import("./drier/Drier").then((m) => m.Drier) },
    { path: "/store/make", title: "Make", load: () => import("./make/Make").then((m) => m.Make) },
    { path: "/store/recipes", title: "Recipes", load: () => import("./make/Recipes").then((m) => m.Recipes) },
    {
      path: "/store/runway",
      title: "How long it lasts",
      load: () => import("./runway/Runway").then((m) => m.Runway),
    },
    { path: "/store/held", title: "Held back", load: () => import("./Held").then((m) => m.Held) },
    { path: "/store/lots/:id", title: "A lot", load: () => import("./Lot").then((m) => m.Lot) },
  ],
};
