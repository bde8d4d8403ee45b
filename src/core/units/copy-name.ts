import { cutText } from "./cut-text";

/** Longest name of a part of a job. */
const LONGEST = 80;
/** A number that an earlier copy got. */
const NUMBERED = / \d{1,3}$/;

/** A name for a copy that nothing else has: "Clear flood 2", "Clear flood 3". */
export function copyName(name: string, taken: readonly string[], words = ""): string {
  const stem = `${name.replace(NUMBERED, "")}${words}`;
  for (let number = words ? 1 : 2; ; number += 1) {
    const end = number === 1 ? "" : ` ${number}`;
    const tried = `${cutText(stem, LONGEST - end.length)}${end}`;
    if (!taken.includes(tried)) return tried;
  }
}
