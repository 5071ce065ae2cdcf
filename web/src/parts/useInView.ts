import { useEffect, useRef } from "react";

/**
 * useInView brings what is asked or told into view and gives it the focus whenever it is told anew. On a phone it stands
 * below what is seen: a question that nobody sees looks like a dead button.
 */
export function useInView(told: unknown) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    box.current?.scrollIntoView({ block: "center" });
    box.current?.focus({ preventScroll: true });
  }, [told]);
  return box;
}
