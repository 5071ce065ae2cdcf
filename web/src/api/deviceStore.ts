import { openDB, type DBSchema, type IDBPDatabase } from "idb";

import type { Kept } from "./outbox";

/** A photograph that was taken without a network, until the entry that it belongs to was sent. */
export interface KeptPhotograph {
  id: string;
  plot: string;
  picture: Blob;
  taken: number;
}

interface DeviceDB extends DBSchema {
  entries: { key: string; value: Kept };
  photographs: { key: string; value: KeptPhotograph };
}

/** Written for good before it is acknowledged: a battery may run out the next moment. */
const durably = { durability: "strict" } as const;

let opened: Promise<IDBPDatabase<DeviceDB>> | undefined;

function open() {
  opened ??= openDB<DeviceDB>("brambly-acre", 1, {
    upgrade(db) {
      db.createObjectStore("entries", { keyPath: "key" });
      db.createObjectStore("photographs", { keyPath: "id" });
    },
    terminated: () => (opened = undefined),
    blocking: (_, __, event) => (event.target as IDBDatabase).close(),
  });
  opened.catch(() => (opened = undefined));
  return opened;
}

/** allEntries are the entries that wait on this device, the oldest first. */
export async function allEntries(): Promise<Kept[]> {
  const all = await (await open()).getAll("entries");
  return all.sort((a, b) => a.order - b.order);
}

export async function putEntry(kept: Kept) {
  const tx = (await open()).transaction("entries", "readwrite", durably);
  await Promise.all([tx.store.put(kept), tx.done]);
}

/** dropEntry lets go of an entry, with the photographs that came with it alone. */
export async function dropEntry(key: string, photographs: string[]) {
  const tx = (await open()).transaction(["entries", "photographs"], "readwrite", durably);
  await Promise.all([
    tx.objectStore("entries").delete(key),
    ...photographs.map((id) => tx.objectStore("photographs").delete(id)),
    tx.done,
  ]);
}

export async function putPhotograph(photograph: KeptPhotograph) {
  const tx = (await open()).transaction("photographs", "readwrite", durably);
  await Promise.all([tx.store.put(photograph), tx.done]);
}

export const getPhotograph = async (id: string) => (await open()).get("photographs", id);
