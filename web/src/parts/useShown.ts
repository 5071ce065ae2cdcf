import { useEffect, useRef } from "react";

/**
 * useShown brings a page's detail to the top of the view where another was chosen and it lies outside: on a phone it stands
 * above or below the list. The focus stays on the list.
 */
export function useShown<T extends HTMLElement>(chosen: unknown) {
  const box = useRef<T>(null);
  const before = useRef(chosen);
  useEffect(() => {
    if (before.current === chosen) return;
    before.current = chosen;
    const top = box.current?.getBoundingClientRect().top ?? 0;
    if (top < 0 || top > 0.6 * window.innerHeight) box.current?.scrollIntoView({ block: "start" });
  }, [chosen]);
  return box;
}
