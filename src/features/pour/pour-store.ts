import { createStore } from "zustand";
import { callAct } from "@/contracts/call-act";
import { recordPour, type Pour } from "@/contracts/pours";
import type { PourEvent } from "@/core/plan/pour";
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

/** The state of a running pour in one tab: what the server has, and what waits to go there. */
export function createPourStore(pour: Pour) {
  let sending = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  return createStore<PourStore>((set, get) => ({
    events: pour.events,
    waiting: 0,
    trouble: null,
    record: async (act) => {
      const event = { ...act, id: crypto.randomUUID(), at: new Date().toISOString() } as PourEvent;
      set((state) => ({ events: [...state.events, event], waiting: state.waiting + 1 }));
      try {
        await putWaiting(pour.id, event);
      } catch {
        set({ trouble: "This browser cannot keep entries: do not close it before they are on the server." });
      }
      await get().send();
    },
    send: async () => {
      if (sending) return;
      sending = true;
      clearTimeout(timer);
      const events = await waitingOf(pour.id).catch(() => []);
      if (events.length > 0) {
        const result = await callAct(recordPour, { pourId: pour.id, events });
        if (result.ok) await removeWaiting(result.value.stored).catch(() => {});
        else if (result.error.code === "unreachable" || result.error.code === "failed")
          timer = setTimeout(() => void get().send(), RETRY_MS);
        set({ trouble: result.ok ? null : result.error.message });
      }
      const left = await waitingOf(pour.id).catch(() => []);
      set({ waiting: left.length });
      sending = false;
      // Something was recorded while the last batch was under way.
      if (left.some((event) => !events.some((sent) => sent.id === event.id))) await get().send();
    },
    wake: async () => {
      const left = await waitingOf(pour.id).catch(() => []);
      const known = new Set(get().events.map((event) => event.id));
      set((state) => ({
        events: [...state.events, ...left.filter((event) => !known.has(event.id))],
        waiting: left.length,
      }));
      await get().send();
    },
  }));
}
