import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { Pour } from "@/contracts/pours";
import { withNew, type PourEvent } from "@/core/pour/pour-events";
import type { Place } from "@/core/pour/place";
import type { Zone } from "@/core/shop/wall-clock";
import type { ClockStyle } from "@/core/units/clock";
import type { UnitSystem } from "@/core/units/dimension";

type Entry = { key: string; value: { pourId: string; event: PourEvent }; indexes: { pour: string } };

/**
 * What this device has of pours. `waiting`: done at the bench and not on the server yet; written before it is sent, removed once the server has said
 * that it is on disk; ids are made here, so that sending twice does no harm. `known`: on the server too, kept so that a pour that is opened without it
 * stands where it stood.
 */
interface Outbox extends DBSchema {
  /** Pours that were opened here, as they were then: what was recorded since can be laid over them. */
  opened: { key: string; value: Pour };
  /** Begun on this device and not known to the server: all that is needed to go on with it here, and to tell of it. */
  begun: { key: string; value: BegunPour };
  waiting: Entry;
  known: Entry;
  photos: { key: string; value: WaitingPhoto; indexes: { pour: string } };
}

/** A photo that was taken at an act and is not on the server yet; `id` is that of the note that it will be, with what was said with it. */
export type WaitingPhoto = {
  id: string;
  pourId: string;
  stepId: string | null;
  at: string;
  photo: Blob;
  text?: string;
  place?: Place;
  /** Of the pin that it is a photo of. */
  pinId?: string;
};

/** A pour that was begun without the server; and for whom its screen is. */
export type BegunPour = {
  pour: Pour;
  people: string[];
  system: UnitSystem;
  zone: Zone;
  clock: ClockStyle;
};

const NAME = "gaugebeam-pours";

let opened: Promise<IDBPDatabase<Outbox>> | undefined;

function outbox(): Promise<IDBPDatabase<Outbox>> {
  opened ??= openDB<Outbox>(NAME, 3, {
    upgrade(db, before) {
      for (const store of ["waiting", "known"] as const)
        if (before < (store === "waiting" ? 1 : 2))
          db.createObjectStore(store, { keyPath: "event.id" }).createIndex("pour", "pourId");
      if (before < 2) db.createObjectStore("photos", { keyPath: "id" }).createIndex("pour", "pourId");
      db.createObjectStore("begun", { keyPath: "pour.id" });
      db.createObjectStore("opened", { keyPath: "id" });
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

/** How many entries of all pours, photos, and pours themselves have not reached the server. */
export async function waitingCount(): Promise<number> {
  const db = await outbox();
  const counts = await Promise.all((["waiting", "photos", "begun"] as const).map((store) => db.count(store)));
  return counts.reduce((sum, count) => sum + count, 0);
}

/** Pours of which something has not reached the server. */
export async function poursWaiting(): Promise<string[]> {
  const db = await outbox();
  const [waiting, photos, begun] = await Promise.all([
    db.getAll("waiting"),
    db.getAll("photos"),
    db.getAllKeys("begun"),
  ]);
  return [
    ...new Set([...begun, ...waiting.map(({ pourId }) => pourId), ...photos.map(({ pourId }) => pourId)]),
  ];
}

/** Where a pour is that the server does not know yet. */
export const begunPath = (pourId: string): string => `/pours/here#${pourId}`;

export async function putBegun(begun: BegunPour): Promise<void> {
  await (await outbox()).put("begun", begun);
}
export async function begunPour(pourId: string): Promise<BegunPour | undefined> {
  return (await outbox()).get("begun", pourId);
}
export async function begunPours(): Promise<BegunPour[]> {
  return (await outbox()).getAll("begun");
}
/** The server knows of it. */
export async function dropBegun(pourId: string): Promise<void> {
  await (await outbox()).delete("begun", pourId);
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

export async function putOpened(pour: Pour): Promise<void> {
  await (await outbox()).put("opened", pour);
}

/** The pours that this device could go on with by itself, with all that it knows of them; whether they are over too. */
export async function poursHere(): Promise<
  { pour: Pour; events: PourEvent[]; isBegun: boolean; waits: boolean; isOver: boolean }[]
> {
  const db = await outbox();
  const [begun, opened, waiting] = await Promise.all([
    db.getAll("begun"),
    db.getAll("opened"),
    poursWaiting(),
  ]);
  const begunIds = new Set(begun.map(({ pour }) => pour.id));
  const all = [...begun.map(({ pour }) => pour), ...opened.filter(({ id }) => !begunIds.has(id))];
  return Promise.all(
    all.map(async (pour) => {
      const events = withNew(pour.events, await entriesOf(pour.id));
      return {
        pour,
        events,
        isBegun: begunIds.has(pour.id),
        waits: waiting.includes(pour.id),
        isOver: events.some(({ kind }) => kind === "finish" || kind === "call-off"),
      };
    }),
  );
}

/** Of pours that are not live any more only what waits is kept. */
export async function forgetAllBut(livePours: readonly string[]): Promise<void> {
  const transaction = (await outbox()).transaction(["known", "opened"], "readwrite");
  const [known, opened] = [transaction.objectStore("known"), transaction.objectStore("opened")];
  for (let at = await known.openCursor(); at; at = await at.continue())
    if (!livePours.includes(at.value.pourId)) await at.delete();
  for (const id of await opened.getAllKeys()) if (!livePours.includes(id)) await opened.delete(id);
  await transaction.done;
}

/** Everything goes, what waits too. */
export async function emptyOutbox(): Promise<void> {
  const stores = ["waiting", "known", "photos", "begun", "opened"] as const;
  const transaction = (await outbox()).transaction([...stores], "readwrite");
  await Promise.all([...stores.map((store) => transaction.objectStore(store).clear()), transaction.done]);
}
