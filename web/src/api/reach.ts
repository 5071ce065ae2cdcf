import { useSyncExternalStore } from "react";

/** What is known of the way to the plot. */
interface Reach {
  /** False once something could not be asked, until the plot answers again. */
  reached: boolean;
  /** When the oldest of the answers that are shown from this device was given; undefined where all are the plot's own. */
  asOf?: number;
}

let reach: Reach = { reached: true };
const stale = new Map<string, number>();
const listeners = new Set<() => void>();
const returns = new Set<() => void>();

function set(next: Reach) {
  if (next.reached === reach.reached && next.asOf === reach.asOf) return;
  reach = next;
  listeners.forEach((tell) => tell());
}

const oldest = () => (stale.size > 0 ? Math.min(...stale.values()) : undefined);

/** shownFromDevice notes that an answer is shown as it was given before. */
export function shownFromDevice(question: string, given: number) {
  stale.set(question, given);
  set({ ...reach, asOf: oldest() });
}

/** answered notes that the plot answered a question now. */
export function answered(question?: string) {
  const wasAway = !reach.reached;
  if (wasAway)
    stale.clear(); // all of it is asked for again
  else if (question !== undefined) stale.delete(question);
  set({ reached: true, asOf: oldest() });
  if (wasAway) returns.forEach((tell) => tell());
}

/** unreached notes that the plot could not be asked. */
export const unreached = () => set({ ...reach, reached: false });

/** onReturn is told each time that the plot answers again. */
export function onReturn(tell: () => void) {
  returns.add(tell);
  return () => void returns.delete(tell);
}

function listen(tell: () => void) {
  listeners.add(tell);
  return () => void listeners.delete(tell);
}

/** useReach returns what is known of the way to the plot. */
export const useReach = () => useSyncExternalStore(listen, () => reach);

/** givenBefore is when the oldest answer that is shown was given; undefined where the plot itself answered. */
export const givenBefore = () => reach.asOf;
