import type { Lab } from "./spaces";

export type ReadColour = { ok: true; hex: string } | { ok: true; lab: Lab } | { ok: false; message: string };

/** A colour as people write it: "#7F3A2B", "7f3a2b", "#abc", or L*a*b* as "78 1 4". */
export function readColour(text: string): ReadColour {
  const words = text.trim();
  const hex = /^#?([0-9a-f]{6})$/i.exec(words)?.[1] ?? null;
  if (hex) return { ok: true, hex: `#${hex.toUpperCase()}` };
  const short = /^#([0-9a-f])([0-9a-f])([0-9a-f])$/i.exec(words);
  if (short)
    return {
      ok: true,
      hex: `#${short
        .slice(1)
        .map((sign) => `${sign}${sign}`)
        .join("")}`.toUpperCase(),
    };
  const numbers = words
    .replace(/[Lab*]/gi, " ")
    .split(/[\s,;]+/)
    .filter((word) => word !== "")
    .map((word) => Number(word.replace("\u2212", "-")));
  if (numbers.length === 3 && numbers.every(Number.isFinite)) {
    const [L = 0, a = 0, b = 0] = numbers;
    if (L < 0 || L > 100) return { ok: false, message: "L* lies between 0 and 100." };
    if (Math.abs(a) > 150 || Math.abs(b) > 150)
      return { ok: false, message: "a* and b* lie between -150 and 150." };
    return { ok: true, lab: [L, a, b] };
  }
  return { ok: false, message: "Write a colour as #7F3A2B, or as L*a*b*: 78 1 4." };
}
