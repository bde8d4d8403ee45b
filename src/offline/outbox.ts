import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { PourEvent } from "@/core/pour/pour-events";

type Entry = { key: string; value: { pourId: string; event: PourEvent }; indexes: { pour: string } };

/**
 * What this device has of pours. `waiting`: done at the bench and not on the server yet; written before it is sent, removed once the server has said
 * that it is on disk; ids are made here, so that sending twice does no harm. `known`: on the server too, kept so that a pour that is opened without it
 * stands where it stood.
 */
interface Outbox extends DBSchema {
  waiting: Entry;
  known: Entry;
  photos: { key: string; value: WaitingPhoto; indexes: { pour: string } };
}

/** A photo that was taken at an act and is not on the server yet; `id` is that of the note that it will be. */
export type WaitingPhoto = { id: string; pourId: string; stepId: string | null; at: string; photo: Blob };

const NAME = "gaugebeam-pours";

let opened: Promise<IDBPDatabase<Outbox>> | undefined;

function outbox(): Promise<IDBPDatabase<Outbox>> {
  opened ??= openDB<Outbox>(NAME, 2, {
    upgrade(db, before) {
      for (const store of before < 1 ? (["waiting", "known"] as const) : (["known"] as const))
        db.createObjectStore(store, { keyPath: "event.id" }).createIndex("pour", "pourId");
      db.createObjectStore("photos", { keyPath: "id" }).createIndex("pour", "pourId");
    },
    // A tab with a newer program goes on; this one opens it anew when it needs it.
    blocking(_now, _next, event) {
      (event.target as IDBDatabase).close();
      opened = undefined;
    },
  });
  return opened;
}

export async function putWaiting(pourId: string, event: PourEvent): Promise<void> {
  await (await outbox()).put("waiting", { pourId, event });
}

export async function waitingOf(pourId: string): Promise<PourEvent[]> {
  const rows = await (await outbox()).getAllFromIndex("waiting", "pour", pourId);
  return rows.map((row) => row.event);
}

/** How many entries of all pours, and photos, have not reached the server. */
export async function waitingCount(): Promise<number> {
  const db = await outbox();
  return (await db.count("waiting")) + (await db.count("photos"));
}

export async function putPhoto(photo: WaitingPhoto): Promise<void> {
  await (await outbox()).put("photos", photo);
}
export async function photosOf(pourId: string): Promise<WaitingPhoto[]> {
  return (await outbox()).getAllFromIndex("photos", "pour", pourId);
}
export async function dropPhoto(id: string): Promise<void> {
  await (await outbox()).delete("photos", id);
}

/** These are on the server: they wait no longer, and stay known. */
export async function nowKnown(pourId: string, events: readonly PourEvent[]): Promise<void> {
  const transaction = (await outbox()).transaction(["waiting", "known"], "readwrite");
  const [waiting, known] = [transaction.objectStore("waiting"), transaction.objectStore("known")];
  await Promise.all([
    ...events.flatMap((event) => [waiting.delete(event.id), known.put({ pourId, event })]),
    transaction.done,
  ]);
}

/** All that this device knows of a pour, in no order. */
export async function entriesOf(pourId: string): Promise<PourEvent[]> {
  const db = await outbox();
  const rows = await Promise.all([
    db.getAllFromIndex("known", "pour", pourId),
    db.getAllFromIndex("waiting", "pour", pourId),
  ]);
  return rows.flat().map(({ event }) => event);
}

/** Of pours that are not live any more only what waits is kept. */
export async function forgetAllBut(livePours: readonly string[]): Promise<void> {
  const transaction = (await outbox()).transaction("known", "readwrite");
  for (let at = await transaction.store.openCursor(); at; at = await at.continue())
    if (!livePours.includes(at.value.pourId)) await at.delete();
  await transaction.done;
}

/** Everything goes, what waits too. */
export async function emptyOutbox(): Promise<void> {
  const stores = ["waiting", "known", "photos"] as const;
  const transaction = (await outbox()).transaction([...stores], "readwrite");
  await Promise.all([...stores.map((store) => transaction.objectStore(store).clear()), transaction.done]);
}
