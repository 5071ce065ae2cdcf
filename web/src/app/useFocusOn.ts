import { useEffect, useRef, type RefObject } from "react";

/**
 * useFocusOn keeps the focus of the keyboard on the page: it goes to the page when another one is opened, and
 * back to it when what had the focus is gone, as the button of a job that is done.
 */
export function useFocusOn(page: RefObject<HTMLElement | null>, path: string) {
  const opened = useRef(path);
  useEffect(() => {
    if (opened.current === path) return;
    opened.current = path;
    page.current?.focus({ preventScroll: true });
    window.scrollTo(0, 0);
  }, [path, page]);
  useEffect(() => {
    let last: Element | null = null;
    const onFocus = (event: FocusEvent) => {
      last = event.target as Element;
    };
    document.addEventListener("focusin", onFocus);
    const watch = new MutationObserver(() => {
      if (last && !last.isConnected && document.activeElement === document.body) {
        last = null;
        // Within a dialog it stays there: Escape is heard only inside.
        const dialog = [...document.querySelectorAll("[role=dialog]")]
          .at(-1)
          ?.closest<HTMLElement>("[tabindex]");
        (dialog ?? page.current)?.focus({ preventScroll: true });
      }
    });
    watch.observe(document.body, { childList: true, subtree: true });
    return () => {
      document.removeEventListener("focusin", onFocus);
      watch.disconnect();
    };
  }, [page]);
}
