import { useQueryClient, type QueryClient } from "@tanstack/react-query";
import { useEffect } from "react";

import { isAtHome } from "../api/device";
import { learnMe } from "../api/me";
import { householdQuery } from "../api/queries";
import { onReturn, useReach } from "../api/reach";
import { answerFetch, tellNews } from "../api/stored";
import { register } from "../offline/register";
import { areas } from "./areas";
import { keepPictures } from "./picture";

const takeAfterMs = 4000;
const tryAgainMs = 10_000;

/** takeAlong asks for all that is shown and noted out in the garden, one thing after another behind what the page itself asks. */
async function takeAlong(client: QueryClient) {
  await client.prefetchQuery(householdQuery);
  for (const area of areas) await area.takeAlong?.(client).catch(() => undefined);
}

/** useAtHome has a device of the house keep what it needs without a network, and try the way to the plot again while there is none. */
export function useAtHome() {
  const client = useQueryClient();
  const { reached } = useReach();
  useEffect(() => {
    const stop = onReturn(() => {
      void client.invalidateQueries();
      void register(); // where the network went while the program was being kept
    });
    if (!isAtHome()) return stop;
    tellNews(() => void client.invalidateQueries());
    void register();
    const timer = setTimeout(() => {
      void learnMe();
      void takeAlong(client).catch(() => undefined);
    }, takeAfterMs);
    const noPictures = keepPictures(client);
    return () => {
      stop();
      noPictures();
      clearTimeout(timer);
    };
  }, [client]);
  useEffect(() => {
    if (reached) return;
    const again = () => void answerFetch(new Request("/api/site")).catch(() => undefined);
    const timer = setInterval(again, tryAgainMs);
    window.addEventListener("online", again);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, [reached]);
}
