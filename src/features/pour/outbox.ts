import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { PourEvent } from "@/core/pour/pour-events";

/**
 * What was done at the bench and has not reached the server yet. Written before it is sent, removed once the server
 * has said that it is on disk; ids are made here, so that sending twice does no harm.
 */
interface Outbox extends DBSchema {
  waiting: { key: string; value: { pourId: string; event: PourEvent }; indexes: { pour: string } };
}

let opened: Promise<IDBPDatabase<Outbox>> | undefined;

function outbox(): Promise<IDBPDatabase<Outbox>> {
  opened ??= openDB<Outbox>("gaugebeam-pours", 1, {
    upgrade(db) {
      db.createObjectStore("waiting", { keyPath: "event.id" }).createIndex("pour", "pourId");
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

export async function removeWaiting(ids: readonly string[]): Promise<void> {
  const transaction = (await outbox()).transaction("waiting", "readwrite");
  await Promise.all([...ids.map((id) => transaction.store.delete(id)), transaction.done]);
}
