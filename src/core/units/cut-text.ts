/** Text cut to so many letters at most; never through the middle of a sign. */
export function cutText(text: string, most: number): string {
  if (text.length <= most) return text;
  const last = text.charCodeAt(most - 1);
  return text.slice(0, last >= 0xd800 && last < 0xdc00 ? most - 1 : most);
}

/** A name as that of a file: letters and figures of any script, no longer than a file system takes; "" where nothing is left. */
export const asFileName = (name: string): string =>
  cutText(name.replace(/[^\p{L}\p{N} _-]+/gu, "").trim(), 60);
