import { useMemo, useSyncExternalStore } from "react";

import { api, told, Unreachable, type Schemas } from "./client";

/** A look that was noted without a network: kept on this device until it is sent. */
export interface Kept {
  plantingId: number;
  note: Schemas["ObservationInput"];
  /** Why the plot did not take it in, once it has said so. */
  refused?: string;
}

const place = "brambly-acre-outbox";
const listeners = new Set<() => void>();

const stored = () => localStorage.getItem(place) ?? "[]";

function parse(text: string): Kept[] {
  try {
    const kept: unknown = JSON.parse(text);
    return Array.isArray(kept) ? (kept as Kept[]) : [];
  } catch {
    return [];
  }
}

const read = () => parse(stored());

function write(kept: Kept[]) {
  localStorage.setItem(place, JSON.stringify(kept));
  listeners.forEach((tell) => tell());
}

function listen(tell: () => void) {
  listeners.add(tell);
  window.addEventListener("storage", tell);
  return () => {
    listeners.delete(tell);
    window.removeEventListener("storage", tell);
  };
}

/** useKeptLooks returns the looks that are kept on this device: those to send, and those that were refused. */
export function useKeptLooks(): Kept[] {
  const text = useSyncExternalStore(listen, stored);
  return useMemo(() => parse(text), [text]);
}

/** discard throws a look away that was refused. */
export const discard = (kept: Kept) =>
  write(read().filter((other) => other.note.clientKey !== kept.note.clientKey));

/** newKey makes a key by which a look that is sent twice counts once. */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
}

const send = ({ plantingId, note }: Kept) =>
  told(api.POST("/api/plantings/{id}/observations", { params: { path: { id: plantingId } }, body: note }));

/** noteLook sends a look, or keeps it on this device where the plot cannot be reached: then it returns null. */
export async function noteLook(plantingId: number, note: Schemas["ObservationInput"]) {
  const kept = { plantingId, note: { ...note, clientKey: note.clientKey ?? newKey() } };
  try {
    return await send(kept);
  } catch (reason) {
    if (!(reason instanceof Unreachable)) throw reason;
    write([...read(), kept]);
    return null;
  }
}

/** sendWaiting sends the looks that wait, the oldest first, and returns how many were taken in. */
export async function sendWaiting(): Promise<number> {
  let sent = 0;
  for (const kept of read().filter((k) => !k.refused)) {
    try {
      await send(kept);
    } catch (reason) {
      if (reason instanceof Unreachable) break;
      // What the plot refuses stays here with its reason, so that nothing is lost unseen.
      const refused = reason instanceof Error ? reason.message : String(reason);
      write(
        read().map((other) => (other.note.clientKey === kept.note.clientKey ? { ...other, refused } : other)),
      );
      continue;
    }
    discard(kept);
    sent++;
  }
  return sent;
}
