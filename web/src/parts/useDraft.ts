import { useState } from "react";

import { plotShown } from "../api/client";

/** What is begun for one plot is never shown in another. */
const placeOf = (key: string) => `brambly-acre-draft:${plotShown()}:${key}`;

function stored<T extends object>(key: string, blank: T): T {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(placeOf(key)) ?? "null");
    return typeof kept === "object" && kept !== null ? { ...blank, ...kept } : blank;
  } catch {
    return blank;
  }
}

/**
 * useDraft holds what was entered and not sent yet, on this device: a phone that drops the page outside
 * loses nothing. It returns the draft, how to change it, and how to be done with it.
 */
export function useDraft<T extends object>(key: string, blank: T) {
  const [draft, setDraft] = useState(() => stored(key, blank));
  const change = (piece: Partial<T>) => {
    const next = { ...draft, ...piece };
    setDraft(next);
    localStorage.setItem(placeOf(key), JSON.stringify(next));
  };
  const done = () => {
    setDraft(blank);
    localStorage.removeItem(placeOf(key));
  };
  return [draft, change, done] as const;
}
