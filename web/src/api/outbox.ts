import { useSyncExternalStore } from "react";

import { api, told, Unreachable, type Schemas } from "./client";

/** A look that was noted without a network: kept on this device until it is sent. */
interface Kept {
  plantingId: number;
  note: Schemas["ObservationInput"];
}

const place = "brambly-acre-outbox";
const listeners = new Set<() => void>();

function read(): Kept[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(place) ?? "[]");
    return Array.isArray(kept) ? (kept as Kept[]) : [];
  } catch {
    return [];
  }
}

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

/** useWaiting returns how many looks wait to be sent. */
export const useWaiting = () => useSyncExternalStore(listen, () => read().length);

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
  for (const kept of read()) {
    try {
      await send(kept);
    } catch (reason) {
      // What the server refuses stays here too, so that nothing is lost unseen.
      if (reason instanceof Unreachable) break;
      continue;
    }
    write(read().filter((other) => other.note.clientKey !== kept.note.clientKey));
    sent++;
  }
  return sent;
}
