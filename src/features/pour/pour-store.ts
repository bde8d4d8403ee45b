import { createStore } from "zustand";
import { callAct } from "@/contracts/call-act";
import { recordPour, type Pour } from "@/contracts/pours";
import type { PourEvent } from "@/core/pour/pour-events";
import { putWaiting, removeWaiting, waitingOf } from "./outbox";

/** A pour event before it has its id and time. */
export type Act = PourEvent extends infer Event
  ? Event extends PourEvent
    ? Omit<Event, "id" | "at">
    : never
  : never;

export type PourStore = {
  events: PourEvent[];
  /** How many acts are kept here and not yet on the server. */
  waiting: number;
  trouble: string | null;
  record: (act: Act) => Promise<void>;
  send: () => Promise<void>;
  wake: () => Promise<void>;
};

const RETRY_MS = 4000;
/** As many as the server takes at once. */
const MOST_AT_ONCE = 500;

/** The state of a running pour in one tab: what the server has, and what waits to go there. */
export function createPourStore(pour: Pour) {
  let sending = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  /** Everything not yet on the server, whether or not the browser could store it as well. */
  const unsent = new Map<string, PourEvent>();

  return createStore<PourStore>((set, get) => ({
    events: pour.events,
    waiting: 0,
    trouble: null,
    record: async (act) => {
      const event = { ...act, id: crypto.randomUUID(), at: new Date().toISOString() } as PourEvent;
      unsent.set(event.id, event);
      set((state) => ({ events: [...state.events, event], waiting: unsent.size }));
      await putWaiting(pour.id, event).catch(() => {
        set({ trouble: "This browser cannot keep entries: do not close it before they are on the server." });
      });
      await get().send();
    },
    send: async () => {
      if (sending || unsent.size === 0) return;
      sending = true;
      clearTimeout(timer);
      const result = await callAct(recordPour, {
        pourId: pour.id,
        events: [...unsent.values()].slice(0, MOST_AT_ONCE),
      });
      if (result.ok) {
        for (const id of result.value.stored) unsent.delete(id);
        await removeWaiting(result.value.stored).catch(() => {});
      } else {
        // Whatever the reason, it is tried again: a network comes back, a person signs in in another tab.
        timer = setTimeout(() => void get().send(), RETRY_MS);
      }
      set({ waiting: unsent.size, trouble: result.ok ? null : result.error.message });
      sending = false;
      // Something was recorded while the last ones were under way.
      if (result.ok) await get().send();
    },
    wake: async () => {
      const left = await waitingOf(pour.id).catch(() => []);
      const known = new Set(get().events.map((event) => event.id));
      for (const event of left) unsent.set(event.id, event);
      set((state) => ({
        events: [...state.events, ...left.filter((event) => !known.has(event.id))],
        waiting: unsent.size,
      }));
      await get().send();
    },
  }));
}
