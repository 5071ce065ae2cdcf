import { lazy, useState, type ComponentType } from "react";

const loads: (() => Promise<unknown>)[] = [];

/**
 * fetchedAhead is a component whose code is fetched when it is opened, or else with all others as soon as
 * the first screen stands: out in the garden there may be no network when it is wanted. Once fetched it is
 * drawn at once.
 */
export function fetchedAhead<Props extends object>(load: () => Promise<ComponentType<Props>>) {
  let Fetched: ComponentType<Props> | undefined;
  const fetch = () =>
    load().then(
      (component) => {
        Fetched = component;
        return { default: component };
      },
      (reason: unknown) => {
        Waited = lazy(fetch); // opened again, it is asked for again
        throw reason;
      },
    );
  let Waited = lazy(fetch);
  loads.push(fetch);
  const Ahead = (props: Props) => {
    const [Component] = useState<ComponentType<Props>>(() => Fetched ?? Waited);
    return <Component {...props} />;
  };
  return Object.assign(Ahead, { fetch });
}

/** fetchAhead fetches all that was not opened yet. What cannot be fetched is asked for when opened. */
export function fetchAhead() {
  for (const load of loads) load().catch(() => undefined);
}
