/** So wide a picture of a list (of looks, sisters, passes) is at most, px. */
export const LIST_PX = 460;

/** All that a picture shows, without the names that things have among themselves: those are new each time. */
export const printOf = (shown: unknown): string =>
  JSON.stringify(shown, (key, value: unknown) => (key === "id" ? undefined : value));

/** As much of a canvas as is asked. */
type Sized = { width: number; height: number };

/**
 * Pictures that are kept for the next time that they are shown.
 * @param mostSamples of all of them together; those that were not shown for longest go first
 */
export function pictureList<Canvas extends Sized>(mostSamples: number) {
  const kept = new Map<string, Canvas>();
  let samples = 0;
  const forget = (print: string) => {
    const canvas = kept.get(print);
    if (!canvas) return;
    samples -= canvas.width * canvas.height;
    kept.delete(print);
  };
  const keep = (print: string, canvas: Canvas): void => {
    forget(print);
    kept.set(print, canvas);
    samples += canvas.width * canvas.height;
    for (const oldest of kept.keys()) {
      if (samples <= mostSamples) return;
      forget(oldest);
    }
  };
  const find = (print: string): Canvas | null => {
    const canvas = kept.get(print);
    if (canvas) keep(print, canvas);
    return canvas ?? null;
  };
  return { keep, find };
}
