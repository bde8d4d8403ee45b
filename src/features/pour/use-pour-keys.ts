"use client";

import { useEffect } from "react";

const DONE = [" ", "Enter", "PageDown"];
const BACK = ["Backspace", "PageUp"];
/** What has a use of its own for a key, or for a touch. */
const OWN_USE = "input, textarea, button, a, select, label, [role=dialog], [data-own-touch]";

const TYPED_IN = "input, textarea, select, [role=dialog]";

/**
 * Space, Enter, Page down or a learnt key say done; Backspace, Page up or a learnt key go back. Not while a dialog is open.
 * @param on whether an act stands there to be said done
 */
export function usePourKeys(
  on: boolean,
  { doneKey, backKey, touch }: { doneKey: string | null; backKey: string | null; touch: boolean },
  { done, back }: { done: (() => void) | null; back: (() => void) | null },
): void {
  useEffect(() => {
    if (!on) return;
    const keys = (event: KeyboardEvent) => {
      if (event.repeat || event.ctrlKey || event.metaKey) return;
      // What is pressed last keeps the focus: it takes space and enter, and lets a foot switch through.
      const own = event.key === " " || event.key === "Enter" ? OWN_USE : TYPED_IN;
      if (event.target instanceof Element && event.target.closest(own)) return;
      const is = (usual: readonly string[], learnt: string | null) =>
        event.key === learnt || usual.includes(event.key);
      if (done && is(DONE, doneKey) && event.key !== backKey) {
        event.preventDefault();
        done();
      } else if (back && is(BACK, backKey)) {
        event.preventDefault();
        back();
      }
    };
    const touched = (event: MouseEvent) => {
      if (!touch || !done) return;
      if (event.target instanceof Element && event.target.closest(OWN_USE)) return;
      done();
    };
    window.addEventListener("keydown", keys);
    window.addEventListener("click", touched);
    return () => {
      window.removeEventListener("keydown", keys);
      window.removeEventListener("click", touched);
    };
  });
}
