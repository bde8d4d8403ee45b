import type { Pair } from "@/core/geometry/curves";
import type { Piece } from "@/core/geometry/piece";
import type { Divider } from "@/core/geometry/zones/division";
import type { JobDocument } from "@/core/job/job";
import { kitchen } from "./kitchen";

const CORNERS = 2000;
const outline: Pair[] = Array.from({ length: CORNERS }, (_, n) => {
  const turn = (2 * Math.PI * n) / CORNERS;
  const far = 800 + 60 * Math.sin(7 * turn) + 15 * Math.sin(53 * turn);
  return [
    Math.round(100 * (900 + far * Math.cos(turn))) / 100,
    Math.round(100 * (900 + far * Math.sin(turn))) / 100,
  ];
});
const blob = (x: number, y: number): Pair[] =>
  Array.from({ length: 10 }, (_, n) => {
    const turn = (2 * Math.PI * n) / 10;
    const far = 100 * (1 + 0.2 * (n % 2));
    return [x + far * Math.cos(turn), y + far * Math.sin(turn)];
  });
const dividers: Divider[] = [
  ...Array.from({ length: 15 }, (_, n): Divider => ({
    id: `shape-${n}`,
    drawn: {
      kind: "shape",
      shape: { kind: "free", curved: true, points: blob(300 + 270 * (n % 4), 400 + 300 * Math.floor(n / 4)) },
    },
    zones: [{ id: `zone-${n}`, name: `Zone ${n}` }],
  })),
  ...Array.from({ length: 8 }, (_, n): Divider => ({
    id: `line-${n}`,
    drawn: {
      kind: "line",
      curved: true,
      points: [
        [0, 200 + n * 190],
        [500, 260 + n * 190],
        [1000, 180 + n * 190],
        [1800, 240 + n * 190],
      ],
    },
    zones: [{ id: `field-${n}`, name: `Field ${n}` }],
    within: "rest",
  })),
  {
    id: "rings",
    drawn: { kind: "bands", of: { kind: "rim" }, fromMm: 0, widthsMm: [20, 15, 30, 10, 12, 9] },
    zones: Array.from({ length: 6 }, (_, n) => ({ id: `ring-${n}`, name: `Ring ${n}` })),
  },
];
const panel: Piece = {
  id: "panel",
  name: "Panel",
  count: 1,
  shape: { kind: "free", points: outline, starts: [0] },
  edges: {},
  cutOuts: [],
  division: { rest: { id: "rest", name: "Rest" }, dividers },
};

/** A panel of thirty zones on a traced outline of two thousand corners, one point of one zone pulled by so much, mm. */
export function zonedJob(byMm: number): JobDocument {
  const { coats, veinMap: _map, ...job } = kitchen;
  const [first, ...others] = dividers;
  const drawn = first?.drawn;
  if (!first || drawn?.kind !== "shape" || drawn.shape.kind !== "free") throw new Error("No shape to pull.");
  const points = drawn.shape.points.map((pair, n): Pair => (n === 0 ? [pair[0] + byMm, pair[1]] : pair));
  const pulled: Divider = { ...first, drawn: { ...drawn, shape: { ...drawn.shape, points } } };
  return {
    ...job,
    pieces: [{ ...panel, division: { rest: { id: "rest", name: "Rest" }, dividers: [pulled, ...others] } }],
    coats: coats.slice(0, 4).map((coat, n) => {
      const { pieceIds: _pieces, filmByPieceMm: _films, ...rest } = coat;
      return n === 2 ? { ...rest, filmByPieceMm: { "zone-3": 3, "field-2": 2.5 } } : rest;
    }),
  };
}
