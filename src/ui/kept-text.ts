/** Text that cannot be read yet is kept for the session, so that a reload does not lose it. */
export function keepText(key: string | undefined, text: string | null): void {
  if (!key) return;
  try {
    if (text === null) sessionStorage.removeItem(`gaugebeam.typed.${key}`);
    else sessionStorage.setItem(`gaugebeam.typed.${key}`, text);
  } catch {
    // Storage may be full or shut off; the text still stands in the field.
  }
}

export function keptText(key: string | undefined): string | null {
  if (!key) return null;
  try {
    return sessionStorage.getItem(`gaugebeam.typed.${key}`);
  } catch {
    return null;
  }
}
