/** Text cut to so many letters at most; never through the middle of a sign. */
export function cutText(text: string, most: number): string {
  if (text.length <= most) return text;
  const last = text.charCodeAt(most - 1);
  return text.slice(0, last >= 0xd800 && last < 0xdc00 ? most - 1 : most);
}

/** A name as that of a file: letters and figures of any script, no longer than a file system takes; "" where nothing is left. */
export const asFileName = (name: string): string =>
  cutText(name.replace(/[^\p{L}\p{N} _-]+/gu, "").trim(), 60);

/** With a capital at its beginning, as a sentence has. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
