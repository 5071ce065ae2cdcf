import { useMemo, useSyncExternalStore } from "react";

import { api, newKey, plotShown, Refusal, answerOf, Unreachable, type Schemas } from "./client";

/** A look or a picking that was noted without a network: kept on this device until it is sent. */
export type Kept = KeptLook | KeptPicking;

interface KeptLook extends Waiting {
  kind?: "look";
  note: Schemas["ObservationInput"];
}

export interface KeptPicking extends Waiting {
  kind: "picking";
  note: Schemas["PickingInput"];
}

interface Waiting {
  /** The plot that it was noted in: it is never sent to another. */
  plot?: string;
  plantingId: number;
  /** Why the plot did not take it in, once it has said so. */
  refused?: string;
  /** The questions it was asked back with, word for word: affirmed, it is taken in. */
  asked?: string[];
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

const isOurs = (kept: Kept) => kept.plot === plotShown();

const isPicking = (kept: Kept): kept is KeptPicking => kept.kind === "picking";
const isLook = (kept: Kept): kept is KeptLook => !isPicking(kept);

/** useKept returns all that this device keeps for this plot: what is to be sent, and what was refused. */
export function useKept(): Kept[] {
  const text = useSyncExternalStore(listen, stored);
  return useMemo(() => parse(text).filter(isOurs), [text]);
}

/** useKeptLooks returns the looks that this device keeps for this plot, useKeptPickings the pickings. */
export const useKeptLooks = () => useKept().filter(isLook);
export const useKeptPickings = () => useKept().filter(isPicking);

/** useForeignLooks returns how many looks this device keeps for other plots: they wait until those are served again. */
export function useForeignLooks(): number {
  const text = useSyncExternalStore(listen, stored);
  return useMemo(() => parse(text).filter((kept) => !isOurs(kept)).length, [text]);
}

/** discard throws a look away that was refused. */
export const discard = (kept: Kept) =>
  write(read().filter((other) => other.note.clientKey !== kept.note.clientKey));

/** affirm says that what was asked back about is no slip: it is sent again. */
export const affirm = (kept: Kept) =>
  write(
    read().map((other): Kept => {
      if (other.note.clientKey !== kept.note.clientKey) return other;
      const { plot, plantingId } = other;
      return isPicking(other)
        ? { kind: "picking", plot, plantingId, note: { ...other.note, tookAnyway: true } }
        : { plot, plantingId, note: { ...other.note, affirmed: kept.asked ?? [] } };
    }),
  );

const sendLook = ({ plantingId, note }: KeptLook) =>
  answerOf(
    api.POST("/api/plantings/{id}/observations", { params: { path: { id: plantingId } }, body: note }),
  );

const sendPicking = ({ plantingId, note }: KeptPicking) =>
  answerOf(api.POST("/api/plantings/{id}/pickings", { params: { path: { id: plantingId } }, body: note }));

const send = (kept: Kept): Promise<unknown> => (isPicking(kept) ? sendPicking(kept) : sendLook(kept));

/** orKept sends something, or keeps it on this device where the plot cannot be reached: then it returns null. */
async function orKept<K extends Kept, Answer>(kept: K, post: (kept: K) => Promise<Answer>) {
  try {
    return await post(kept);
  } catch (reason) {
    if (!(reason instanceof Unreachable)) throw reason;
    write([...read(), kept]);
    return null;
  }
}

/** noteLook sends a look, or keeps it on this device where the plot cannot be reached: then it returns null. */
export const noteLook = (plantingId: number, note: Schemas["ObservationInput"]) =>
  orKept(
    { plot: plotShown(), plantingId, note: { ...note, clientKey: note.clientKey ?? newKey() } },
    sendLook,
  );

/** notePicking sends a picking, or keeps it on this device where the plot cannot be reached: then it returns null. */
export const notePicking = (plantingId: number, note: Schemas["PickingInput"]) =>
  orKept(
    {
      kind: "picking" as const,
      plot: plotShown(),
      plantingId,
      note: { ...note, clientKey: note.clientKey ?? newKey() },
    },
    sendPicking,
  );

/** sendWaiting sends what waits, the oldest first, and returns how many were taken in. */
export async function sendWaiting(): Promise<number> {
  let sent = 0;
  for (const kept of read().filter((k) => isOurs(k) && !k.refused)) {
    try {
      await send(kept);
    } catch (reason) {
      // Where another plot is served now, they wait for their own.
      if (reason instanceof Unreachable || (reason instanceof Refusal && reason.otherPlot)) break;
      // What the plot refuses stays here with its reason, so that nothing is lost unseen.
      const refused = reason instanceof Error ? reason.message : String(reason);
      const asked = reason instanceof Refusal ? reason.asked.map((question) => question.words) : [];
      write(
        read().map((other) =>
          other.note.clientKey === kept.note.clientKey ? { ...other, refused, asked } : other,
        ),
      );
      continue;
    }
    discard(kept);
    sent++;
  }
  return sent;
}
