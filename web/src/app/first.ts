import type { QueryClient } from "@tanstack/react-query";
import { matchPath } from "react-router";

import { isAtHome, me } from "../api/device";
import { learnMe } from "../api/me";
import { likenessesQuery, ribbonQuery, siteQuery } from "../api/queries";
import { routes } from "./routes";

/** How long the first page waits for its code and its answers before it is drawn without them. */
const mostMs = 1200;

/**
 * first asks at once for all that the opened page needs, its code and its answers beside each other, and
 * ends when they are there: it is then drawn whole, once. What fails is asked for again by the page itself.
 */
export function first(client: QueryClient): Promise<unknown> {
  const { pathname, search } = window.location;
  const day = new URLSearchParams(search).get("on") ?? undefined;
  const route = routes.find((one) => matchPath(one.screen.path, pathname));
  const wanted = Promise.allSettled([
    client.prefetchQuery({ ...siteQuery, retry: false }),
    isAtHome() && me().id === "" ? learnMe() : undefined,
    client.prefetchQuery({ ...likenessesQuery, retry: false }),
    route?.Screen.fetch(),
    route?.screen.ask?.(client, day),
    route?.screen.days ? client.prefetchQuery(ribbonQuery(day)) : undefined,
  ]);
  return Promise.race([wanted, new Promise((resolve) => setTimeout(resolve, mostMs))]);
}
