/** The areas in the order of the cane, each with the key that follows g. */
export const areas = [
  { path: "/", name: "Now", key: "n" },
  { path: "/plot", name: "Plot", key: "p" },
  { path: "/round", name: "Round", key: "r" },
  { path: "/gather", name: "Gather", key: "g" },
  { path: "/plants", name: "Plants", key: "l" },
  { path: "/ledger", name: "Ledger", key: "d" },
] as const;

/** Screens that show any day of the year, and so carry the ribbon. */
export const dayScreens = ["/", "/plot", "/gather", "/plantings", "/plants"];
