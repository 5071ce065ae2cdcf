import { startTransition, useEffect, useState } from "react";

/** True once the first page that was opened has been seen. */
let isSeen = false;

/**
 * useRestOfPage tells whether all of a page is to be drawn: false for the first picture of the first page, which on a phone
 * holds little, and true as soon as that is seen.
 */
export function useRestOfPage(): boolean {
  const [rest, setRest] = useState(isSeen);
  useEffect(() => {
    if (rest) return;
    let timer: number | undefined;
    const frame = requestAnimationFrame(() => {
      timer = window.setTimeout(() => {
        isSeen = true;
        startTransition(() => setRest(true));
      });
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [rest]);
  return rest;
}
