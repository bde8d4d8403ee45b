/** A press is under way: its button is held down. */
let held = false;
if (typeof document !== "undefined") {
  document.addEventListener("pointerdown", () => (held = true), true);
  for (const end of ["pointerup", "pointercancel"])
    document.addEventListener(end, () => (held = false), true);
}

/** A press that becomes no click, such as a pull, is waited for no longer, ms. */
const LONGEST_MS = 600;

/**
 * Does something before the click that is under way is answered, but not while its button is held: what moves under the pointer then would
 * not be hit. At once where nothing is pressed.
 */
export function beforeClick(work: () => void): void {
  if (!held) return work();
  const run = () => {
    document.removeEventListener("click", run, true);
    clearTimeout(timer);
    work();
  };
  const timer = setTimeout(run, LONGEST_MS);
  document.addEventListener("click", run, true);
}
