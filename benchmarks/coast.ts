import type { Pair } from "@/core/geometry/curves";

/** A ragged coast of 20 000 corners around a slab of two by one metres, the same every time. */
export const COAST: Pair[] = Array.from({ length: 20_000 }, (_, index) => {
  const turn = (index / 20_000) * 2 * Math.PI;
  const ragged = 1 + 0.05 * Math.sin(turn * 37) + 0.002 * Math.sin(turn * 911);
  return [1000 + 1000 * ragged * Math.cos(turn), 500 + 500 * ragged * Math.sin(turn)];
});

const written = COAST.map(([x, y]) => [x.toFixed(3), y.toFixed(3)] as const);

export const coastSvg = `<svg xmlns="http://www.w3.org/2000/svg" width="2200mm" height="1200mm" viewBox="0 0 2200 1200"><path d="M${written.map((pair) => pair.join(" ")).join("L")}z"/></svg>`;

export const coastDxf = [
  "0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES",
  `0\nLWPOLYLINE\n8\n0\n90\n${written.length}\n70\n1`,
  ...written.map(([x, y]) => `10\n${x}\n20\n${y}`),
  "0\nENDSEC\n0\nEOF\n",
].join("\n");
