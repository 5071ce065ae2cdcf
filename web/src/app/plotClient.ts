import { QueryClient } from "@tanstack/react-query";

/** plotClient keeps what the server said. */
export const plotClient = new QueryClient({
  // The server is on this machine or this network: what it says holds until something changes.
  defaultOptions: {
    queries: { staleTime: 60_000, retry: 1, networkMode: "always" },
    mutations: { networkMode: "always" },
  },
});
