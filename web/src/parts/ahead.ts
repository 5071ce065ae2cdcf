import { lazy, type ComponentType } from "react";

const loads: (() => Promise<unknown>)[] = [];

/**
 * fetchedAhead is a component whose code is fetched when it is opened, or else with all others as soon as
 * the first screen stands: out in the garden there may be no network when it is wanted.
 */
export function fetchedAhead<Props>(load: () => Promise<ComponentType<Props>>) {
  loads.push(load);
  return lazy(() => load().then((component) => ({ default: component })));
}

/** fetchAhead fetches all that was not opened yet. What cannot be fetched is asked for when opened. */
export function fetchAhead() {
  for (const load of loads) load().catch(() => undefined);
}
