"use client";
import { useSyncExternalStore } from "react";

/** Set where somebody would rather see plain pictures, on this device. */
const KEY = "gaugebeam.plain-pictures";

const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  window.addEventListener("storage", listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener("storage", listener);
  };
};
/** What was said on this page, where the device keeps nothing. */
let said: boolean | null = null;
const isLit = () => said ?? localStorage.getItem(KEY) === null;

/** Whether pictures are shown under the lamp, all of them, and a way to say so; kept on this device, lit at first. */
export function useLit(): [boolean, (lit: boolean) => void] {
  const lit = useSyncExternalStore(subscribe, isLit, () => true);
  const setLit = (next: boolean) => {
    try {
      if (next) localStorage.removeItem(KEY);
      else localStorage.setItem(KEY, "yes");
      said = null;
    } catch {
      // Storage may be full or shut off: it holds for this page.
      said = next;
    }
    listeners.forEach((listener) => listener());
  };
  return [lit, setLit];
}
