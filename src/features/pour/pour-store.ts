import { createStore } from "zustand";
import { addPicture } from "@/contracts/add-picture";
import { callAct } from "@/contracts/call-act";
import { recordPour, startPour, type Pour, type PourNews } from "@/contracts/pours";
import { foldPour, subjectOf, withNew, type PourEvent } from "@/core/pour/pour-events";
import {
  begunPour,
  dropBegun,
  dropPhoto,
  entriesOf,
  nowKnown,
  photosOf,
  putPhoto,
  putWaiting,
  waitingOf,
  type BegunPour,
  type WaitingPhoto,
} from "@/offline/outbox";

/** A pour event before it has its id and time, and says what was known. */
export type Act = PourEvent extends infer Event
  ? Event extends PourEvent
    ? Omit<Event, "id" | "at" | "over" | "settles">
    : never
  : never;

/** What a photo is of, and what is said with it. */
export type PhotoOf = Pick<WaitingPhoto, "stepId" | "text" | "place" | "pinId">;

export type PourStore = {
  events: PourEvent[];
  /** How many acts are kept here and not yet on the server. */
  waiting: number;
  trouble: string | null;
  /** @param id of the entry, where something else is to name it */
  record: (act: Act, id?: string) => Promise<void>;
  /** Keeps a photo of an act or a place here, sends it, and records it as a note. */
  keepPhoto: (photo: File, of: PhotoOf) => Promise<void>;
  send: () => Promise<void>;
  wake: () => Promise<void>;
  /** Takes in what was recorded elsewhere; and the server's time, where it is known when it was asked for, ms. */
  hear: (news: PourNews, askedMs: number | null) => void;
  /** What another screen did last: who, and when it was heard here by {@link PourStore.now}, ms. */
  heard: { event: PourEvent; atMs: number } | null;
  /** Now by the server's clock, ms: the clock of this device, corrected where it is wrong. */
  now: () => number;
};

/** A clock that differs less than this is right, ms: less is the way there and back. */
const CLOCK_RIGHT_MS = 1500;
/** An answer that took longer tells no time: a device may have slept over it, ms. */
const CLOCK_SOON_MS = 5000;

const RETRY_MS = 4000;
/** As many as the server takes at once. */
const MOST_AT_ONCE = 500;

/** What this screen knows of what an act is on; and that it settles which of two counts, where they stand against each other. */
function knownOf(act: Act, events: readonly PourEvent[]): { over?: string | null; settles?: true } {
  const subject = subjectOf(act);
  if (subject === null) return {};
  const { inForce, conflicts } = foldPour(events);
  return {
    over: inForce.get(subject)?.id ?? null,
    ...(conflicts.some((conflict) => conflict.subject === subject) && { settles: true }),
  };
}

/** The state of a running pour in one tab: what the server has, and what waits to go there. */
export function createPourStore(pour: Pick<Pour, "id" | "events">) {
  let sending = false;
  /** How it was begun on this device, as long as the server does not know of it. */
  let begun: BegunPour | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;
  /** Everything not yet on the server, whether or not the browser could store it as well. */
  const unsent = new Map<string, PourEvent>();
  /** All that this screen has recorded itself. */
  const own = new Set<string>();
  /** What this device's clock is behind the server's, ms. */
  let behindMs = 0;
  const setClock = (now: string, askedMs: number) => {
    const heardMs = Date.now();
    if (heardMs - askedMs > CLOCK_SOON_MS || heardMs < askedMs) return;
    const off = Date.parse(now) - (askedMs + heardMs) / 2;
    behindMs = Math.abs(off) > CLOCK_RIGHT_MS ? off : 0;
  };

  /** So many things are not on the server: entries, photos, the pour itself. */
  const notThere = () => unsent.size + photos.size + (begun ? 1 : 0);
  /** Photos that are not on the server yet. One after the other: each is large. */
  const photos = new Map<string, WaitingPhoto>();
  let sendingPhotos = false;
  const sendPhotos = async () => {
    const { getState, setState } = store;
    if (sendingPhotos || photos.size === 0) return;
    sendingPhotos = true;
    for (const { id, stepId, at, photo, text = "", place, pinId } of [...photos.values()]) {
      const result = await addPicture(new File([photo], "photo"));
      // What is no picture never will be; all else is tried again with the entries.
      const lost = !result.ok && result.error.code === "invalid";
      if (!result.ok && !lost) {
        setState({ trouble: result.error.message });
        clearTimeout(timer);
        timer = setTimeout(() => void getState().send(), RETRY_MS);
        break;
      }
      photos.delete(id);
      if (result.ok) {
        const event: PourEvent = {
          id,
          at,
          kind: "note",
          stepId,
          text,
          pictureId: result.value.pictureId,
          ...(place && { place }),
          ...(pinId !== undefined && { pinId }),
        };
        own.add(id);
        unsent.set(id, event);
        setState((state) => ({ events: [...state.events, event] }));
        await putWaiting(pour.id, event).catch(() => {});
      } else setState({ trouble: result.error.message });
      await dropPhoto(id).catch(() => {});
    }
    sendingPhotos = false;
    setState({ waiting: notThere() });
    if (unsent.size > 0) await getState().send();
  };

  /** The server is told first of a pour that was begun without it; what is wrong in words, or null. */
  const tellBegun = async (): Promise<string | null> => {
    if (!begun) return null;
    const { jobId, jobRevision: revision, startedAt: at, plan } = begun.pour;
    const result = await callAct(startPour, { pourId: pour.id, jobId, revision, at, plan });
    if (!result.ok) return result.error.message;
    begun = undefined;
    await dropBegun(pour.id).catch(() => {});
    return null;
  };
  /** Sends what waits; what is wrong in words, or null. */
  const sendEntries = async (): Promise<string | null> => {
    const sentMs = Date.now();
    const result = await callAct(recordPour, {
      pourId: pour.id,
      events: [...unsent.values()].slice(0, MOST_AT_ONCE),
    });
    if (!result.ok) return result.error.message;
    setClock(result.value.now, sentMs);
    const stored = new Set(result.value.stored);
    for (const id of stored) unsent.delete(id);
    const events = store.getState().events.filter(({ id }) => stored.has(id));
    await nowKnown(pour.id, events).catch(() => {});
    return null;
  };

  const store = createStore<PourStore>((set, get) => ({
    events: pour.events,
    waiting: 0,
    trouble: null,
    record: async (act, id = crypto.randomUUID()) => {
      const at = new Date(get().now()).toISOString();
      const event = { ...act, ...knownOf(act, get().events), id, at } as PourEvent;
      own.add(event.id);
      unsent.set(event.id, event);
      set((state) => ({ events: [...state.events, event], waiting: notThere() }));
      await putWaiting(pour.id, event).catch(() => {
        set({ trouble: "This browser cannot keep entries: do not close it before they are on the server." });
      });
      await get().send();
    },
    keepPhoto: async (photo, of) => {
      const at = new Date(get().now()).toISOString();
      const waiting = { ...of, id: crypto.randomUUID(), pourId: pour.id, at, photo };
      photos.set(waiting.id, waiting);
      set({ waiting: notThere() });
      await putPhoto(waiting).catch(() => {
        set({ trouble: "This browser cannot keep photos: do not close it before they are on the server." });
      });
      await sendPhotos();
    },
    send: async () => {
      await sendPhotos();
      if (sending || (unsent.size === 0 && !begun)) return;
      sending = true;
      clearTimeout(timer);
      const trouble = (await tellBegun()) ?? (unsent.size > 0 ? await sendEntries() : null);
      // Whatever the reason, it is tried again: a network comes back, a person signs in in another tab.
      if (trouble !== null) timer = setTimeout(() => void get().send(), RETRY_MS);
      set({ waiting: notThere(), trouble });
      sending = false;
      // Something was recorded while the last ones were under way.
      if (trouble === null && unsent.size > 0) await get().send();
    },
    wake: async () => {
      begun = await begunPour(pour.id).catch(() => undefined);
      // A page that was opened without the server is as old as it is: this device may know more.
      await nowKnown(pour.id, pour.events).catch(() => {});
      const left = await waitingOf(pour.id).catch(() => []);
      const here = await entriesOf(pour.id).catch(() => left);
      for (const event of left) unsent.set(event.id, event);
      for (const photo of await photosOf(pour.id).catch(() => [])) photos.set(photo.id, photo);
      set((state) => ({ events: withNew(state.events, here), waiting: notThere() }));
      await get().send();
    },
    heard: null,
    hear: ({ events, now }, askedMs) => {
      if (askedMs !== null) setClock(now, askedMs);
      const known = new Set(get().events.map(({ id }) => id));
      const fresh = events.filter(({ id }) => !known.has(id));
      const theirs = fresh.filter(({ id }) => !own.has(id)).at(-1);
      if (fresh.length === 0) return;
      void nowKnown(pour.id, fresh).catch(() => {});
      set((state) => ({
        events: [...state.events, ...fresh],
        ...(theirs && { heard: { event: theirs, atMs: get().now() } }),
      }));
    },
    now: () => Date.now() + behindMs,
  }));
  return store;
}
