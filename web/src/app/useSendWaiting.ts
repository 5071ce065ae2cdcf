import { useEffect } from "react";

import { sendWaiting, useKept } from "../api/outbox";
import { onReturn } from "../api/reach";
import { useRefresh } from "../api/queries";

const retryMs = 15_000;

/** useSendWaiting sends what is kept on this device, on whatever page one is, as soon as the plot can be reached. */
export function useSendWaiting() {
  const refresh = useRefresh();

  const waiting = useKept().filter((kept) => !kept.refused).length;
  useEffect(() => {
    void sendWaiting().then((sent) => {
      if (sent > 0) void refresh(); // kept when the page was closed
    });
  }, [refresh]);
  useEffect(() => {
    if (waiting === 0) return;
    const tryNow = () => {
      void sendWaiting().then((sent) => {
        if (sent > 0) void refresh();
      });
    };
    const stop = onReturn(tryNow);
    window.addEventListener("online", tryNow);
    const timer = window.setInterval(tryNow, retryMs);
    return () => {
      stop();
      window.removeEventListener("online", tryNow);
      window.clearInterval(timer);
    };
  }, [waiting, refresh]);
}
