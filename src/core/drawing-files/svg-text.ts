import type { Point } from "../geometry/curves";

/** Text as it may stand in an SVG. */
export const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`).replace(/[\u0000-\u001f]/g, " ");

/** A number to a thousandth. */
export const n = (value: number): string => String(Math.round(value * 1000) / 1000);

export const pathOf = (points: readonly Point[], close = true): string =>
  `M${points.map(({ x, y }) => `${n(x)} ${n(y)}`).join("L")}${close ? "Z" : ""}`;
