import { createContext, useContext } from "react";

import type { Likeness } from "./stand";

/** What the drawings of plants follow: nothing while it is on its way, an empty table where it could not be had. */
export const Likenesses = createContext<ReadonlyMap<string, Likeness> | undefined>(undefined);

/** useLikeness is what the drawing of a species follows, and whether it is still on its way. */
export function useLikeness(species: string | undefined): { likeness?: Likeness; waits: boolean } {
  const all = useContext(Likenesses);
  if (!species) return { waits: false };
  return { likeness: all?.get(species), waits: !all };
}
