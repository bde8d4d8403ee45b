/** A line that never ends is none. */
const LONGEST_LINE = 400;

/** Cuts what an instrument says into lines, however it comes: those that ended with what was heard last. A line ends with CR, LF or both. */
export function lineCutter(): (text: string) => string[] {
  let kept = "";
  return (text) => {
    const lines = (kept + text).split(/\r\n|\n|\r/);
    kept = (lines.pop() ?? "").slice(-LONGEST_LINE);
    return lines.filter((line) => line !== "" && line.length <= LONGEST_LINE);
  };
}
