import { useLayoutEffect, useRef, useState } from "react";

/** useWidth measures an element, so that a drawing can fill it at its true text size. */
export function useWidth(first: number) {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(first);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const watch = new ResizeObserver(() => setWidth(element.clientWidth));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [ref, width] as const;
}
