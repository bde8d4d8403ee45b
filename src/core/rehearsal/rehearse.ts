import type { Tool } from "../batch/factors";
import type { Section } from "../batch/sections";
import { ciede2000 } from "../colour/ciede2000";
import { contrastOf } from "../colour/mix-look";
import { hexOfXyz, labOfXyz, linearOfXyz, xyzOfHex, xyzOfLab, type Lab, type Rgb } from "../colour/spaces";
import { flowShareIn } from "../cure/film-in-room";
import type { Measured } from "../geometry/measure";
import { wallSize } from "../geometry/frustum";
import { stretchOf } from "../geometry/lanes";
import type { Piece } from "../geometry/piece";
import type { Box } from "../geometry/ring";
import type { SoftPlace } from "../geometry/weights";
import { unfoldedBox } from "../geometry/unfold";
import { standing } from "../veins/standing";
import { placesOf } from "../veins/places";
import { veinsOnPiece } from "../veins/vein-map";
import type { Ink } from "../pattern/engine/picture";
import type { Rehearsal, RehearsedPass } from "../pattern/passes/rehearsal";
import type { WorkTool } from "../pattern/passes/work";
import { covers, filmOn, isFill, type Coat } from "../schedule/coat";
import { isPatternPass, type PatternPass } from "../passes/facts";
import { type Pass } from "../schedule/pass";
import type { ColourLooks } from "../plan/colour-plan";
import type { Plan } from "../plan/derive-plan";
import type { PlannedCoat } from "../plan/timed";
import { rehearsalSettings } from "../job/job-settings";
import type { JobDocument } from "../job/job";
import { pouredOnTop } from "./poured-on-top";
import { setStones } from "./set-stones";
import { pouredZones } from "./poured-zones";
import { roomOf } from "../job/job-settings";

/** A colour of the picture: where it comes from, how it looks, and what share of the patterned coats was poured of it. */
export type PaletteColour = Ink & { name: string; hex: string; lab: Lab; poured: number };

export type ShownPass = {
  coatId: string;
  passId: string;
  words: string;
  coatName: string;
  /** The coat in whose film it is done: its own, or the one that a vein is laid into. */
  filmCoatId: string;
  /** After that film was mixed. */
  minute: number;
  /** What the look is called if one stops after it; null where it goes on. */
  stopHere: string | null;
};

/** A piece's picture as the plan would make it. */
export type PieceRehearsal = {
  rehearsal: Rehearsal;
  palette: PaletteColour[];
  passes: ShownPass[];
  /** Where its uppermost pattern is poured one stretch after the other. */
  strips: readonly Box[];
};

const linear = (rgb: Rgb): [number, number, number] =>
  rgb.map((channel) => Math.min(1, Math.max(0, channel))) as [number, number, number];

const seenAt = (lab: Lab) => linear(linearOfXyz(xyzOfLab(lab)));

/** What of the bench's tools works a film in the picture; those that do not are left to each pass's usual one. */
const WORK_TOOLS: Partial<Record<Tool, WorkTool>> = {
  hand: "hand",
  roller: "roller",
  "wide-blade": "blade",
  trowel: "blade",
  squeegee: "squeegee",
  "foam-brush": "foam-brush",
  brush: "foam-brush",
  stick: "stick",
  comb: "comb",
};

/** Its own fingers are a comb. */
const workTool = ({ kind, tool }: Pass): WorkTool =>
  kind === "comb" && tool === "hand" ? "fingers" : (WORK_TOOLS[tool] ?? "hand");

/** What is sprayed or painted where nothing else is said: dark over light, light over dark. */
const DARK_PAINT = "#26282b";
const LIGHT_PAINT = "#f1efe9";
const MICA = "#c9b27a";
const usualPaint = (
  kind: PatternPass,
  coat: readonly ColourLooks[],
): { name: string; hex: string } | null => {
  switch (kind) {
    case "fog":
    case "mask": {
      const light = coat.reduce((sum, { lab, colour }) => sum + lab[0] * colour.share, 0);
      return light > 50 ? { name: "dark paint", hex: DARK_PAINT } : { name: "light paint", hex: LIGHT_PAINT };
    }
    case "mica-alcohol":
      return { name: "mica", hex: MICA };
    case "glitter":
      return { name: "glitter", hex: MICA };
    default:
      return null;
  }
};

/** How much of what lies under it a film of a colour covers, 0 to 1, on a coat above another patterned one. */
function hidesOf({ colour, parts }: ColourLooks, filmMm: number): number {
  if (parts.length > 0) return Math.min(1, Math.max(0.02, contrastOf(parts, filmMm)));
  switch (colour.look) {
    case "opaque":
      return 1;
    case "metallic":
      return 0.96;
    case "tint":
      return 1 - Math.exp(-0.18 * filmMm);
    case "clear":
      return 0.02;
  }
}

function seenOf(piece: Measured): Pick<Rehearsal, "box" | "topMm" | "aroundMm"> {
  const { shape } = piece.piece;
  if (shape.kind !== "tumbler") {
    const { widthMm, heightMm } = piece.outline;
    return { box: unfoldedBox(piece), topMm: { wide: widthMm, high: heightMm }, aroundMm: null };
  }
  const { aroundMm, slantMm } = wallSize(shape);
  return {
    box: { minX: 0, minY: 0, maxX: aroundMm, maxY: slantMm },
    topMm: { wide: aroundMm, high: slantMm },
    aroundMm,
  };
}

/** Where a colour shall be more or less on a piece; nothing where it lies evenly. */
function softOf({ weights = [] }: Piece, colourId: string): { soft?: SoftPlace[] } {
  const soft = weights
    .filter((weight) => weight.colourId === colourId)
    .map(({ id: _id, colourId: _colour, ...place }) => place);
  return soft.length > 0 ? { soft } : {};
}

/** Coats that make the picture: coloured ones and veins; what fills a mould or a channel is its picture too. Knots that are filled
 * before are small places in it, and none of it. */
const isPatterned = (coat: Coat, piece: Measured) =>
  coat.kind === "colour" || coat.kind === "vein" || (coat.kind === "fill" && piece.fillMl !== null);

/** More strips than these are not followed: neighbours are taken together. */
const MOST_STRIPS = 6;

/** A floor is poured and worked batch by batch, each section against the wet edge of the one before. */
function stripsOf({ batched }: PlannedCoat, { piece }: Measured): Box[] | null {
  if (piece.shape.kind !== "floor" || !batched) return null;
  const sections = batched.batches
    .flatMap((batch) => batch.sections)
    .filter(({ pieceId, copy }) => pieceId === piece.id && copy === 1);
  if (sections.length < 2) return null;
  const many = Math.min(MOST_STRIPS, sections.length);
  const at = (strip: number) => Math.floor((strip * sections.length) / many);
  const strips = Array.from({ length: many }, (_, n) => {
    const [first, last] = [sections[at(n)] as Section, sections[at(n + 1) - 1] as Section];
    return stretchOf(piece, first.fromMm, last.toMm) ?? [];
  }).flat();
  return strips.length > 1 ? strips : null;
}

/**
 * What is rehearsed of a piece: its coloured coats with their passes, each at its own minute, over what lies under them. Null for a piece
 * that nothing coloured is poured on.
 * @param standingId which of several of its kind on the vein map; the first where it is not said
 */
export function rehearsalOf(
  plan: Plan,
  job: JobDocument,
  piece: Measured,
  standingId = piece.id,
): PieceRehearsal | null {
  const { seed, angleDeg } = rehearsalSettings(job);
  const looks = new Map(plan.looks.coats.map((coatLooks) => [coatLooks.coat.id, coatLooks]));
  const on = plan.coats.filter(({ coat, batched }) => batched && covers(coat, piece.id));
  const patterned = on.filter(({ coat }) => isPatterned(coat, piece));
  const first = patterned[0];
  const coatLooks = first && looks.get(first.coat.id);
  if (!first || !coatLooks) return null;
  const palette: PaletteColour[] = [];
  const add = (
    name: string,
    { hex, xyz, lab, look }: Pick<ColourLooks, "hex" | "xyz" | "lab" | "look">,
    metallic: boolean,
    poured: number,
  ) => {
    palette.push({
      name,
      hex,
      rgb: linear(linearOfXyz(xyz)),
      lab,
      metallic,
      poured,
      ...(look?.metallic && { face: seenAt(look.metallic.face), flop: seenAt(look.metallic.flop) }),
    });
    return palette.length - 1;
  };
  const painted = (name: string, hex: string, metallic: boolean) => {
    const xyz = xyzOfHex(hex);
    return add(name, { hex: hexOfXyz(xyz), xyz, lab: labOfXyz(xyz), look: null }, metallic, 0);
  };
  const below = on
    .slice(0, on.indexOf(first))
    .findLast(({ coat }) => coat.kind === "base" || coat.kind === "primer" || coat.kind === "seal");
  const under = below && looks.get(below.coat.id)?.colours[0];
  const base = under
    ? add(under.colour.name, under, false, 0)
    : painted("what lies under it", coatLooks.under.hex, false);
  const place = job.veinMap && placesOf(standing(plan.pieces), job.veinMap.places).get(standingId);
  /** The vein map's veins of a coat, where it has any on this piece. */
  const mapped = (coat: Coat, colours: readonly { at: number }[]) => {
    if (!job.veinMap || !place) return null;
    const veins = veinsOnPiece(job.veinMap, coat.id, piece, place, (colourId) => {
      const index = coat.colours.findIndex(({ id }) => id === colourId);
      return colours[index]?.at ?? null;
    });
    return veins.length > 0 ? veins : null;
  };
  const passes: ShownPass[] = [];
  let cut: Box[] = [];
  const layers = patterned.filter(({ coat }) => coat.kind !== "vein");
  const uppermost = layers.at(-1);
  const onTop = pouredOnTop(
    layers.map(({ coat }) => coat),
    piece,
  );
  const coats = patterned.map((planned) => {
    const { coat } = planned;
    const seen = looks.get(coat.id);
    const total = coat.colours.reduce((sum, { share }) => sum + share, 0) || 1;
    const filmMm = isFill(coat) ? piece.fillDepthMm * coat.coverShare : filmOn(coat, piece.id);
    const colours = (seen?.colours ?? []).map((looks) => ({
      at: add(looks.colour.name, looks, looks.colour.look === "metallic", onTop.get(looks.colour.id) ?? 0),
      share: looks.colour.share / total,
      // The first coat's colours are worked out over their ground as they are; clear lies over whatever is there.
      hides: planned === first && !isFill(coat) && looks.colour.look !== "clear" ? 1 : hidesOf(looks, filmMm),
      ...softOf(piece.piece, looks.colour.id),
    }));
    const into = filmBelow(planned, on);
    const strips = stripsOf(planned, piece);
    if (planned === uppermost && strips) cut = strips;
    const rows = patternPasses(planned, into, job).map((row) => {
      const paint = usualPaint(row.kind, seen?.colours ?? []);
      const hex = row.work.hex ?? paint?.hex;
      const at = paint && hex ? painted(paint.name, hex, row.kind !== "fog" && row.kind !== "mask") : null;
      const { colourIds, zoneIds, ...rest } = row;
      const zones = zoneIds && piece.zones.flatMap(({ id }, n) => (zoneIds.includes(id) ? [n] : []));
      const uses =
        colourIds &&
        coat.colours.flatMap(({ id }, n) => (colourIds.includes(id) ? (colours[n]?.at ?? []) : []));
      return { ...rest, paint: at, ...(uses && { uses }), ...(zones && { zones }) };
    });
    for (const { id, words, minute, stopHere } of rows)
      passes.push({
        coatId: coat.id,
        passId: id,
        words,
        coatName: coat.name,
        filmCoatId: into.coat.id,
        minute,
        stopHere,
      });
    return {
      id: coat.id,
      vein: coat.kind === "vein",
      filmMm,
      colours,
      passes: rows.map(({ words: _words, minute: _minute, stopHere: _stop, ...row }): RehearsedPass => row),
      veins: mapped(coat, colours),
      ...(strips && { strips }),
      ...setStones(coat, piece, plan.pieces, seed, (name, hex) => painted(name, hex, false)),
      ...pouredZones(coat, job, piece, colours),
    };
  });
  if (passes.length === 0) return null;
  return {
    rehearsal: {
      ...seenOf(piece),
      ...(coats.some(({ zones }) => zones) && { zoneRings: piece.zones.map(({ rings }) => rings) }),
      base,
      coats,
      angle: (angleDeg * Math.PI) / 180,
      seed,
    },
    palette,
    passes,
    strips: cut,
  };
}

type Row = Omit<RehearsedPass, "paint" | "uses"> &
  Pick<ShownPass, "words" | "minute" | "stopHere"> &
  Pick<Pass, "colourIds" | "zoneIds">;

/** The coat in whose film a coat's passes are done: veins laid wet into the coat below move as that one does. */
function filmBelow(planned: PlannedCoat, on: readonly PlannedCoat[]): PlannedCoat {
  const { kind, startsAfter } = planned.coat;
  if (kind !== "vein" || (startsAfter !== "wet" && startsAfter !== "late")) return planned;
  const below = on
    .slice(0, on.indexOf(planned))
    .findLast(({ coat }) => coat.kind === "colour" || coat.kind === "base");
  return below?.windows ? below : planned;
}

/** Passes that make the picture, each with the minute and the flow that is left of the film that it is done in. */
function patternPasses({ windows }: PlannedCoat, into: PlannedCoat, job: JobDocument): Row[] {
  const { resin, windows: below } = into;
  if (!windows || !below || !resin) return [];
  const film = { resin, room: roomOf(job), mixedAtMin: below.mixedAtMin };
  const rows: Row[] = [];
  for (const { pass, words, atMin } of windows.windows) {
    const { kind } = pass;
    if (!isPatternPass(kind)) {
      // One may stop after a pass that leaves the picture as it was: it is that of the one before.
      const last = rows.at(-1);
      if (last && pass.stopHere) last.stopHere = pass.stopHere;
      continue;
    }
    const minute = Math.max(0, atMin - below.mixedAtMin);
    const flowLeft = resin.kind === "paint" ? 1 : flowShareIn(film, minute).likely;
    const { id, rounds, mlPerM2, stopHere, work = {}, colourIds, zoneIds } = pass;
    const worked = { id, kind, tool: workTool(pass), rounds, mlPerM2, flowLeft, work };
    rows.push({ ...worked, words, minute, stopHere, colourIds, zoneIds });
  }
  return rows;
}

/** ΔE00 of two colours of a palette. */
export const differenceIn =
  (palette: readonly PaletteColour[]) =>
  (a: number, b: number): number => {
    const [first, second] = [palette[a], palette[b]];
    return first && second ? ciede2000(first.lab, second.lab) : 0;
  };
