import type { Area } from "../../parts/area";

export const area: Area = {
  node: { path: "/ledger", name: "Ledger", key: "d", order: 90 },
  screens: [{ path: "/ledger", title: "Ledger", load: () => import("./Ledger").then((m) => m.Ledger) }],
};
