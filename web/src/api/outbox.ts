import { useSyncExternalStore } from "react";

import {
  answerOf,
  api,
  newKey,
  plotShown,
  Refusal,
  shownVersion,
  underKey,
  Unreachable,
  type Schemas,
} from "./client";
import { isAtHome, thisDevice } from "./device";
import { allEntries, dropEntry, putEntry } from "./deviceStore";
import { isWaiting, sentPhotographs } from "./photographs";
import { givenBefore } from "./reach";

/** What is noted outside, and so kept on this device where the plot cannot be reached. */
interface Bodies {
  look: Schemas["ObservationInput"];
  picking: Schemas["PickingInput"];
  sorting: Schemas["SortingInput"];
  count: Schemas["CountTrayInput"];
  check: Schemas["LookInput"];
  findCheck: Schemas["LookInput"];
}

interface Answers {
  look: Schemas["Observed"];
  picking: Schemas["Picked"];
  sorting: Schemas["Entry"];
  count: Schemas["Entry"];
  check: Schemas["Entry"];
  findCheck: Schemas["Entry"];
}

export type Kind = keyof Bodies;

/** An entry that waits on this device. */
interface KeptAs<K extends Kind> {
  /** It counts once, however often it is sent under this key. */
  key: string;
  /** The plot that it was noted in, and the device: it is never sent to another, nor as another's. */
  plot: string;
  device: string;
  kind: K;
  /** The id of what it is noted of: a planting, a picking, a tray, a find. */
  to: number;
  /** What it is, in words: "elder, Long bed: in bud". */
  words: string;
  body: Bodies[K];
  /** The version of what the page showed, where it matters. */
  version: string;
  /** The moment it was noted, and its place among the others. */
  order: number;
  /** Why the plot did not take it in, once it has said so. */
  refused?: string;
  /** The questions it was asked back with: affirmed, it is taken in. */
  asked?: { code: string; words: string }[];
  /** It was made from something that was changed meanwhile. */
  stale?: boolean;
  /** It was noted while this device was paired otherwise. */
  anothers?: boolean;
}

export type Kept = { [K in Kind]: KeptAs<K> }[Kind];

/** What is said when an entry was kept on this device. */
export const keptWords = "Kept on this device, and sent as soon as the plot can be reached";

const at = (id: number) => ({ params: { path: { id } } });

const posts: { [K in Kind]: (kept: KeptAs<K>) => Promise<Answers[K]> } = {
  look: ({ to, body }) => answerOf(api.POST("/api/plantings/{id}/observations", { ...at(to), body })),
  picking: ({ to, body }) => answerOf(api.POST("/api/plantings/{id}/pickings", { ...at(to), body })),
  sorting: ({ to, body }) => answerOf(api.POST("/api/pickings/{id}/sortings", { ...at(to), body })),
  count: ({ to, body, version }) =>
    answerOf(
      api.POST("/api/trays/{id}/counts", {
        params: { path: { id: to }, header: shownVersion(version) },
        body,
      }),
    ),
  check: ({ to, body }) => answerOf(api.POST("/api/plantings/{id}/looks", { ...at(to), body })),
  findCheck: ({ to, body }) => answerOf(api.POST("/api/finds/{id}/looks", { ...at(to), body })),
};

/** Kinds whose body carries the key itself. */
const keyed: readonly Kind[] = ["look", "picking", "check", "findCheck"];

/** post sends an entry under its key: begun at once, as underKey asks. */
const post = <K extends Kind>(kept: KeptAs<K>): Promise<Answers[K]> =>
  underKey(keyed.includes(kept.kind) ? "" : kept.key, () => posts[kept.kind](kept));

let entries: Kept[] = [];
let known = false;
const listeners = new Set<() => void>();
const others =
  typeof BroadcastChannel === "undefined" ? undefined : new BroadcastChannel("brambly-acre-outbox");

const show = (now: Kept[]) => {
  entries = now;
  known = true;
  listeners.forEach((tell) => tell());
};

async function reload() {
  show(await allEntries());
}

if (others) others.onmessage = () => void reload().catch(() => undefined);

async function changed() {
  await reload();
  others?.postMessage("changed");
}

/** Where earlier versions of this program kept what waits. */
const earlierPlace = "brambly-acre-outbox";

interface EarlierEntry {
  kind?: "picking";
  plot?: string;
  plantingId: number;
  note: { clientKey?: string; day: string };
}

/** takeOver brings over what an earlier version kept, and lets go of it there once it lies here. */
async function takeOver() {
  const text = localStorage.getItem(earlierPlace);
  if (text === null) return;
  let order = Date.now();
  for (const one of JSON.parse(text) as EarlierEntry[]) {
    const key = one.note.clientKey ?? newKey();
    await putEntry({
      key,
      plot: one.plot ?? "",
      device: "",
      kind: one.kind ?? "look",
      to: one.plantingId,
      words: `of ${one.note.day}`,
      body: { ...one.note, clientKey: key },
      version: "",
      order: order++,
    } as Kept);
  }
  localStorage.removeItem(earlierPlace);
}

let loading: Promise<void> | undefined;

/** loadKept reads what waits on this device, once. */
export function loadKept(): Promise<void> {
  loading ??= takeOver()
    .catch(() => undefined) // what cannot be read stays where it lies
    .then(reload);
  loading.catch(() => (loading = undefined));
  return loading;
}

const isOurs = (kept: Kept) => kept.plot === plotShown();

function listen(tell: () => void) {
  listeners.add(tell);
  return () => void listeners.delete(tell);
}

const useEntries = () => useSyncExternalStore(listen, () => entries);

/** useKept returns all that this device keeps for this plot: what is to be sent, and what was refused. */
export const useKept = (): Kept[] => useEntries().filter(isOurs);

/** useForeign returns how many entries this device keeps for other plots: they wait until those are served again. */
export const useForeign = (): number => useEntries().filter((kept) => !isOurs(kept)).length;

/** useIsKnown tells whether it is known yet what this device keeps. */
export const useIsKnown = () => useSyncExternalStore(listen, () => known);

const photographsOf = (body: Kept["body"]) => ("photos" in body ? (body.photos ?? []) : []);

/** discard throws an entry away that was refused. */
export async function discard(kept: Kept) {
  await dropEntry(kept.key, photographsOf(kept.body).filter(isWaiting));
  await changed();
}

/** affirm says that what was asked back about is no slip: it is sent again. */
export async function affirm(kept: Kept) {
  const body =
    kept.kind === "picking"
      ? { ...kept.body, tookAnyway: true }
      : { ...kept.body, affirmed: (kept.asked ?? []).map((one) => one.words) };
  await mend(kept, { body } as Partial<Kept>);
}

/** mend changes an entry that was refused: it waits to be sent again. */
export async function mend(kept: Kept, piece: Partial<Kept>) {
  const blank = { refused: undefined, asked: undefined, stale: undefined, anothers: undefined };
  await putEntry({ ...kept, ...blank, ...piece } as Kept);
  await changed();
}

/** adopt makes an entry that this device kept before it was paired anew one of the device that it is now. */
export const adopt = (kept: Kept) => mend(kept, { device: thisDevice() });

/** What is noted: of what, in words, and what. */
export interface Noting<K extends Kind> {
  kind: K;
  to: number;
  words: string;
  body: Bodies[K];
  version?: string;
  /** The key that it is sent under; one is made where it has none. */
  key?: string;
}

/** noteOrKeep sends an entry, or keeps it on this device where the plot cannot be reached: then it returns null. */
export async function noteOrKeep<K extends Kind>(noting: Noting<K>): Promise<Answers[K] | null> {
  const key = noting.key ?? newKey();
  const kept: KeptAs<K> = {
    key,
    plot: plotShown(),
    device: thisDevice(),
    kind: noting.kind,
    to: noting.to,
    words: noting.words,
    body: keyed.includes(noting.kind) ? { ...noting.body, clientKey: key } : noting.body,
    version: noting.version ?? "",
    order: Date.now(),
  };
  if (!photographsOf(kept.body as Kept["body"]).some(isWaiting)) {
    try {
      return await post(kept);
    } catch (reason) {
      if (!(reason instanceof Unreachable)) throw reason;
    }
  }
  // A check that is kept is of its day, and says so.
  const body = kept.kind === "check" || kept.kind === "findCheck" ? { ...kept.body, kept: true } : kept.body;
  try {
    await putEntry({ ...kept, body } as unknown as Kept);
  } catch {
    throw new Error(
      "The plot cannot be reached, and this device keeps nothing: it has no room left, or its browser forbids it. Nothing is noted yet.",
    );
  }
  await changed();
  return null;
}

/** sendOne sends an entry with its photographs. What they are called at the plot is kept before it is sent. */
async function sendOne(kept: Kept) {
  const waiting = photographsOf(kept.body).filter(isWaiting);
  let { body } = kept;
  if (waiting.length > 0) body = { ...body, photos: await sentPhotographs(photographsOf(body)) };
  await post({ ...kept, body } as Kept);
  await dropEntry(kept.key, waiting);
}

/** sendWaiting sends what waits, the oldest first, and returns how many were taken in. Only one page of a device sends at a time. */
export async function sendWaiting(): Promise<number> {
  try {
    await loadKept();
  } catch {
    return 0; // a browser that keeps nothing has nothing to send
  }
  // A device whose cookie is gone has to be paired again before it sends anything.
  if (isAtHome() && thisDevice() === "") return 0;
  if (!entries.some((kept) => isOurs(kept) && !kept.refused)) return 0;
  return navigator.locks.request("brambly-acre-sending", { ifAvailable: true }, async (mine) => {
    if (!mine) return 0;
    let sent = 0;
    for (const kept of await allEntries()) {
      if (!isOurs(kept) || kept.refused) continue;
      if (kept.device !== thisDevice()) {
        await putEntry({
          ...kept,
          refused:
            "It was noted while this device was paired otherwise. Send it as this device, or throw it away.",
          anothers: true,
        });
        continue;
      }
      try {
        await sendOne(kept);
      } catch (reason) {
        // Where another plot is served now, or this device is out, they wait.
        const waits =
          reason instanceof Unreachable ||
          (reason instanceof Refusal && (reason.otherPlot || reason.status === 401));
        if (waits) break;
        // What the plot refuses stays here with its reason, so that nothing is lost unseen.
        await putEntry({
          ...kept,
          refused: reason instanceof Error ? reason.message : String(reason),
          asked: reason instanceof Refusal ? reason.asked : [],
          stale: reason instanceof Refusal && reason.stale,
        });
        continue;
      }
      sent++;
    }
    await changed();
    return sent;
  });
}

/**
 * dayNoted is the day that something is noted on now: today as the plot told it, and where the plot told it on an earlier
 * day and cannot be reached, the day of this device's own clock. A plot whose today is fixed keeps it.
 */
export function dayNoted(today: string, isFixed: boolean): string {
  const given = givenBefore();
  if (given === undefined || isFixed) return today;
  const day = (at: number) => {
    const date = new Date(at);
    const two = (n: number) => String(n).padStart(2, "0");
    return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
  };
  const now = day(Date.now());
  return now > today ? now : today;
}
