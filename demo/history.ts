import { randomUUID } from "node:crypto";
import type { ResinCard } from "@/core/cure/resin-card";
import { newPiece } from "@/core/geometry/new-piece";
import type { Piece } from "@/core/geometry/piece";
import type { JobDocument } from "@/core/job/job";
import { emptyJob, newCoat } from "@/core/job/new-job";
import type { TechniqueId } from "@/core/job/technique-list";
import { withTechnique } from "@/core/job/techniques";
import { normals, seeded } from "@/core/numerics/random";
import { derivePlan } from "@/core/plan/derive-plan";
import { plannedAlcoholG } from "@/core/learning/pour-teaches";
import type { PhotoLook } from "@/core/pour/inspect-events";
import type { Coat } from "@/core/schedule/coat";
import type { PourEvent } from "@/core/pour/pour-events";
import { runSheet } from "@/core/pour/run-sheet";

const inch = (inches: number) => inches * 25.4;
const id = () => randomUUID();
const DAY = 86_400_000;

/** What this shop is really like: what its log can find out. Losses times the usual, film times the planned, time times the planned. */
const TRUTH = { losses: 1.55, film: 1.025, time: 1.3, alcohol: 1.25, cells: 0.85 };
/** The bottles are on the scale for so long before A meets B. */
const WEIGHING_MS = 95_000;
const REHEARSED_CELL_MM = 46;
/** From which pour on cured pieces were photographed. */
const PHOTOS_FROM = 8;

type Past = {
  name: string;
  daysAgo: number;
  piece: Piece;
  technique: TechniqueId;
  by: "owner" | "hand";
  odd?: "cup left";
};

const FACE = { treatment: "face", heightMm: 38, roundingMm: 3 } as const;
const WALL = { treatment: "wall", heightMm: 0, roundingMm: 0 } as const;

const counter = (name: string, long: number, deep: number): Piece => ({
  ...newPiece("straight", name, id),
  shape: { kind: "straight", lengthMm: inch(long), depthMm: inch(deep) },
  edges: { back: WALL, front: FACE, left: FACE, right: FACE },
});
const round = (name: string, across: number): Piece => ({
  ...newPiece("round", name, id),
  shape: { kind: "round", diameterMm: inch(across) },
});
const panel = (name: string, long: number, deep: number): Piece => ({
  ...newPiece("rectangle", name, id),
  shape: { kind: "rectangle", lengthMm: inch(long), depthMm: inch(deep) },
});

const past = (): Past[] => [
  {
    name: "Laundry counter",
    daysAgo: 176,
    piece: counter("Top", 74, 25),
    technique: "palm-blend",
    by: "owner",
  },
  { name: "Plant stand", daysAgo: 168, piece: round("Top", 22), technique: "bucket-pour", by: "hand" },
  {
    name: "Potting bench",
    daysAgo: 161,
    piece: counter("Top", 60, 24),
    technique: "bucket-pour",
    by: "owner",
  },
  { name: "Dusk panel", daysAgo: 150, piece: panel("Panel", 36, 24), technique: "palm-blend", by: "hand" },
  {
    name: "Ferry kiosk shelf",
    daysAgo: 142,
    piece: counter("Shelf", 88, 16),
    technique: "palm-blend",
    by: "owner",
  },
  { name: "Reading table", daysAgo: 133, piece: round("Top", 42), technique: "bucket-pour", by: "owner" },
  {
    name: "Loom room counter",
    daysAgo: 121,
    piece: counter("Top", 96, 25),
    technique: "palm-blend",
    by: "hand",
  },
  { name: "Salt panel", daysAgo: 112, piece: panel("Panel", 48, 24), technique: "bucket-pour", by: "owner" },
  {
    name: "Bar end",
    daysAgo: 101,
    piece: counter("Top", 52, 26),
    technique: "palm-blend",
    by: "owner",
    odd: "cup left",
  },
  { name: "Chess table", daysAgo: 92, piece: round("Top", 28), technique: "palm-blend", by: "hand" },
  {
    name: "Boathouse counter",
    daysAgo: 83,
    piece: counter("Top", 110, 25),
    technique: "bucket-pour",
    by: "owner",
  },
  { name: "Hall console", daysAgo: 74, piece: counter("Top", 54, 14), technique: "palm-blend", by: "owner" },
  { name: "Slate panel", daysAgo: 65, piece: panel("Panel", 40, 30), technique: "bucket-pour", by: "hand" },
  {
    name: "Vanity, double",
    daysAgo: 54,
    piece: counter("Top", 72, 22),
    technique: "palm-blend",
    by: "owner",
  },
  {
    name: "Side table, pair",
    daysAgo: 45,
    piece: { ...round("Top", 20), count: 2 },
    technique: "bucket-pour",
    by: "owner",
  },
  { name: "Pantry counter", daysAgo: 36, piece: counter("Top", 84, 24), technique: "palm-blend", by: "hand" },
  {
    name: "Dock office desk",
    daysAgo: 27,
    piece: counter("Top", 66, 30),
    technique: "bucket-pour",
    by: "owner",
  },
];

export type PastPour = {
  name: string;
  by: "owner" | "hand";
  document: JobDocument;
  startedAt: Date;
  events: PourEvent[];
};

/** What a photo of a cured piece says: each colour a little off its rehearsal, all of them the whole. */
function looksOf({ colours }: Coat, off: number, normal: () => number): PhotoLook[] {
  const rehearsed = colours.map(({ share }) => share);
  const sum = rehearsed.reduce((all, share) => all + share, 0);
  const came = rehearsed.map((share) => Math.max(0.005, share / sum + off * normal()));
  const all = came.reduce((total, share) => total + share, 0);
  return colours.map(({ name }, n) => ({
    name,
    seen: (came[n] as number) / all,
    rehearsed: (rehearsed[n] as number) / sum,
    widthMm: null,
    rehearsedMm: null,
    cellMm: Math.round(REHEARSED_CELL_MM * TRUTH.cells * Math.exp(0.12 * normal())),
    rehearsedCellMm: REHEARSED_CELL_MM,
  }));
}

/** Half a year of pours with honest deviations, from the oldest: the shop loses more than the usual and takes longer, at one a cup was left standing. */
export function pastPours(cards: readonly ResinCard[], now: Date): PastPour[] {
  const coating = cards.find(({ name }) => name.includes("Slow coating"))?.id ?? null;
  const normal = normals(seeded(4711));
  return past().map(({ name, daysAgo, piece, technique, by, odd }, n) => {
    const document: JobDocument = {
      ...emptyJob(),
      ground: "primed",
      pieces: [piece],
      coats: [withTechnique(newCoat("colour", "Colour", coating, id), technique, id)],
    };
    const plan = derivePlan(document, cards);
    const [planned] = plan.coats;
    if (!planned?.batched) throw new Error(`${name}: ${planned?.problem ?? "no coat"}`);
    const { batched, coat } = planned;
    const day = new Date(now.getTime() - daysAgo * DAY);
    const start = Date.UTC(day.getUTCFullYear(), day.getUTCMonth(), day.getUTCDate(), 9, 10);
    const steps = runSheet(plan, "us");
    const origin = steps[0]?.atMin ?? 0;
    const pace = TRUTH.time * Math.exp(0.1 * normal());
    const stamp = (ms: number) => ({ id: id(), at: new Date(ms).toISOString() });
    const laying = new Set(["weigh", "mix", "split"]);
    let at = start;
    const acts = steps.flatMap((step): PourEvent[] => {
      // Mixing and laying go at the shop's pace; what the film asks for comes at its minute.
      const bound = step.untilMin - origin;
      const own = laying.has(step.kind) || bound < batched.workMin.likely + 25 ? bound * pace : bound;
      at = Math.max(at + 30_000, start + WEIGHING_MS + own * 60_000);
      const weighed = step.weigh
        .filter(({ line }) => /^[AB]/.test(line))
        .map(({ line, grams }, k): PourEvent => ({
          ...stamp(at - 15_000 - (1 - k) * 70_000),
          kind: "weighed",
          stepId: step.id,
          line,
          grams: Math.round(grams * (1 + 0.004 * normal())),
        }));
      return [...weighed, { ...stamp(at), kind: "tick", stepId: step.id }];
    });
    const sum = batched.losses.reduce((all, { ml }) => all + ml.likely, 0);
    const usedMl =
      (batched.onTopMl.likely + batched.onFacesMl.likely) * TRUTH.film * Math.exp(0.025 * normal()) +
      sum * TRUTH.losses * Math.exp(0.12 * normal()) -
      (odd ? 0.3 * batched.mixMl.likely : 0);
    const leftMl = Math.round(batched.mixMl.likely - usedMl);
    const end = at + 6 * 60_000;
    const after: PourEvent[] = [
      leftMl > 2
        ? { ...stamp(end), kind: "left", coatId: coat.id, ml: leftMl }
        : { ...stamp(end), kind: "short", coatId: coat.id, ml: Math.max(5, -leftMl) },
      {
        ...stamp(end + 1000),
        kind: "room",
        tempC: 20.5 + (n % 4) * 0.4,
        humidityPct: 46 + (n % 5) * 3,
      },
      { ...stamp(end + 30 * 60_000), kind: "finish" },
    ];
    // The last ones were photographed when they were cured, and their alcohol weighed.
    if (n >= PHOTOS_FROM) {
      after.push({
        ...stamp(end + 26 * 3_600_000),
        kind: "photo-read",
        pieceId: piece.id,
        when: "cured",
        looks: looksOf(coat, technique === "palm-blend" ? 0.025 : 0.06, normal),
      });
      const plannedG = plannedAlcoholG(planned);
      if (plannedG !== null)
        after.push({
          ...stamp(end + 3000),
          kind: "alcohol-weighed",
          coatId: coat.id,
          grams: Math.round(10 * plannedG * TRUTH.alcohol * Math.exp(0.2 * normal())) / 10,
        });
    }
    if (odd)
      after.push({
        ...stamp(end + 2000),
        kind: "note",
        stepId: null,
        text: "A cup stood behind the bucket and was not poured.",
      });
    return { name, by, document, startedAt: new Date(start), events: [...acts, ...after] };
  });
}
