import { ciede2000 } from "../colour/ciede2000";
import { linearOfXyz, type Lab, type Rgb } from "../colour/spaces";
import { flowShareIn } from "../cure/film-in-room";
import type { Measured } from "../geometry/measure";
import { PATTERN_PASSES, type PatternPass, type Rehearsal, type RehearsedPass } from "../pattern/compile";
import type { Ink } from "../pattern/picture";
import { covers } from "../schedule/coat";
import type { Plan, PlannedCoat } from "./derive-plan";
import type { JobDocument } from "./job";
import { roomOf } from "./job-settings";

/** A colour of the picture: where it comes from, how it looks, and what share of the patterned coats was poured of it. */
export type PaletteColour = Ink & { name: string; hex: string; lab: Lab; poured: number };

/** A piece's picture as the plan would make it. */
export type PieceRehearsal = {
  rehearsal: Rehearsal;
  palette: PaletteColour[];
  /** Each pass of the picture with its words and its minute after its coat was mixed. */
  passes: { coatId: string; passId: string; words: string; coatName: string; minute: number }[];
};

export const USUAL_REHEARSAL = { seed: 1, angleDeg: 26 };
const isPattern = (kind: string): kind is PatternPass => (PATTERN_PASSES as readonly string[]).includes(kind);

const linear = (rgb: Rgb): [number, number, number] =>
  rgb.map((channel) => Math.min(1, Math.max(0, channel))) as [number, number, number];

/** Passes that make the picture; a coat of several colours without any is laid and spread at least. */
function patternPasses(
  planned: PlannedCoat,
  job: JobDocument,
): (RehearsedPass & { words: string; minute: number })[] {
  const { card, calibration, windows } = planned;
  if (!windows || !card || !calibration) return [];
  const film = { card, calibration, room: roomOf(job), mixedAtMin: windows.mixedAtMin };
  return windows.windows.flatMap(({ pass, words, atMin }) => {
    if (!isPattern(pass.kind)) return [];
    const minute = Math.max(0, atMin - windows.mixedAtMin);
    const flowLeft = card.kind === "paint" ? 1 : flowShareIn(film, minute).likely;
    return [
      { id: pass.id, kind: pass.kind, rounds: pass.rounds, mlPerM2: pass.mlPerM2, flowLeft, words, minute },
    ];
  });
}

/**
 * What is rehearsed of a piece: its coloured coats with their passes, each at its own minute, over what lies under them. Null for a piece
 * that nothing coloured is poured on, or that has no flat top.
 */
export function rehearsalOf(plan: Plan, job: JobDocument, piece: Measured): PieceRehearsal | null {
  const { kind } = piece.piece.shape;
  if (kind === "tumbler" || kind === "mould" || kind === "river") return null;
  const looks = new Map(plan.looks.coats.map((one) => [one.coat.id, one]));
  const on = plan.coats.filter(({ coat, batched }) => batched && covers(coat, piece.id));
  const patterned = on.filter(({ coat }) => coat.kind === "colour" || coat.kind === "vein");
  const first = patterned[0];
  if (!first) return null;
  const palette: PaletteColour[] = [];
  const add = (
    name: string,
    hex: string,
    xyz: readonly [number, number, number],
    lab: Lab,
    metallic: boolean,
    poured: number,
  ) => {
    palette.push({ name, hex, rgb: linear(linearOfXyz(xyz)), lab, metallic, poured });
    return palette.length - 1;
  };
  const below = on
    .slice(0, on.indexOf(first))
    .findLast(({ coat }) => coat.kind === "base" || coat.kind === "primer" || coat.kind === "seal");
  const under = below && looks.get(below.coat.id)?.colours[0];
  const own = looks.get(first.coat.id);
  const ground = under ?? own?.colours[0];
  if (!ground || !own) return null;
  const base = add(
    under ? under.colour.name : "what lies under it",
    ground.hex,
    ground.xyz,
    ground.lab,
    false,
    0,
  );
  const passes: PieceRehearsal["passes"] = [];
  const coats = patterned.map((planned) => {
    const { coat } = planned;
    const seen = looks.get(coat.id);
    const total = coat.colours.reduce((sum, { share }) => sum + share, 0) || 1;
    const colours = (seen?.colours ?? []).map(({ colour, hex, xyz, lab }) => ({
      at: add(
        colour.name,
        hex,
        xyz,
        lab,
        colour.look === "metallic",
        coat.kind === "vein" ? 0 : colour.share / total,
      ),
      share: colour.share / total,
    }));
    const rows = patternPasses(planned, job);
    for (const { id, words, minute } of rows)
      passes.push({ coatId: coat.id, passId: id, words, coatName: coat.name, minute });
    return { id: coat.id, vein: coat.kind === "vein", colours, passes: rows };
  });
  if (passes.length === 0) return null;
  const { seed, angleDeg } = job.rehearsal ?? USUAL_REHEARSAL;
  return {
    rehearsal: {
      widthMm: piece.outline.widthMm,
      heightMm: piece.outline.heightMm,
      base,
      coats,
      angle: (angleDeg * Math.PI) / 180,
      seed,
    },
    palette,
    passes,
  };
}

/** ΔE00 of two colours of a palette. */
export const differenceIn =
  (palette: readonly PaletteColour[]) =>
  (a: number, b: number): number => {
    const [one, other] = [palette[a], palette[b]];
    return one && other ? ciede2000(one.lab, other.lab) : 0;
  };
