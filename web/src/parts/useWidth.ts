import { useLayoutEffect, useRef, useState } from "react";

/** useWidth measures an element, so that a drawing can fill it at its true text size. */
export function useWidth(first: number | (() => number)) {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(first);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    // Measured before the first painting: a drawing of the guessed width would be wider
    // than a phone for a moment, and push the whole page sideways.
    const measure = () => setWidth(element.clientWidth);
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [ref, width] as const;
}
