import { useCallback } from "react";
import { useNavigate, useSearchParams, type NavigateOptions } from "react-router";

import { useSite } from "../api/queries";
import { addDays } from "./dates";

/** The day that the screens show is part of the address, so that it can be linked to and kept. */
export function useShownDay() {
  const [params, setParams] = useSearchParams();
  const site = useSite().data;
  const today = site?.today;
  const asked = params.get("on") ?? undefined;
  const shown = asked ?? today;
  const show = useCallback(
    (day: string) => {
      setParams(
        (before) => {
          const next = new URLSearchParams(before);
          const held = site && day < site.earliestShown ? site.earliestShown : day;
          const kept = site && held > site.latestShown ? site.latestShown : held;
          if (kept === site?.today) next.delete("on");
          else next.set("on", kept);
          return next;
        },
        { replace: true },
      );
    },
    [setParams, site],
  );
  const move = useCallback(
    (days: number) => {
      if (shown) show(addDays(shown, days));
    },
    [show, shown],
  );
  return { today, shown, asked, isToday: shown === today, show, move };
}

const withDay = (path: string, on: string | null) =>
  on ? `${path}${path.includes("?") ? "&" : "?"}on=${on}` : path;

/** useGo navigates and keeps the shown day. */
export function useGo() {
  const navigate = useNavigate();
  const [params] = useSearchParams();
  const on = params.get("on");
  return useCallback(
    (path: string, options?: NavigateOptions) => navigate(withDay(path, on), options),
    [navigate, on],
  );
}

/** useKept returns a path that keeps the shown day. */
export function useKept() {
  const [params] = useSearchParams();
  const on = params.get("on");
  return useCallback((path: string) => withDay(path, on), [on]);
}
