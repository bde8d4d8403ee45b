import type { Rgb } from "../../colour/spaces";
import { cutOutRing } from "../../geometry/cut-out";
import type { Measured } from "../../geometry/measure";
import { placeIn } from "../../geometry/ring";
import { CLOSE, evaluate } from "../../pattern/engine/evaluate";
import { balance as balanceIn, mud, segregation, thirds } from "../../pattern/engine/measures";
import { regularity } from "../../pattern/engine/regular";
import type { Shares, Sheet } from "../../pattern/engine/sheet";
import { compile } from "../../pattern/passes/compile";
import type { PhotoLook } from "../../pour/inspect-events";
import { differenceIn, type PieceRehearsal } from "../../rehearsal/rehearse";
import { looksApart, nearlyAlike } from "./alike";
import { cellMm } from "./cells";
import { readShares, sharesOnPiece } from "./read-shares";
import { balanceOf, straighten, type Anchor, type Photo, type Straight } from "./straighten";
import type { At } from "./perspective";
import { widthsOf, type Widths } from "./widths";

/** What is measured on a picture, rehearsed or photographed, by the same measures; shares 0 to 1. */
export type Measures = {
  onTop: number[];
  leftRight: number[];
  backFront: number[];
  thirds: [number, number, number][];
  mud: number;
  apart: number;
  regular: number;
  /** Of colours that lie in lines. */
  widths: (Widths | null)[];
  /** Of all others: how wide their cells are, mm. */
  cells: (number | null)[];
};

export type PhotoJudged =
  | {
      ok: true;
      /** Colours that a photo tells apart: those that look the same are one. */
      looks: { name: string; hex: string; lines: boolean; nearly: number[] }[];
      seen: Measures;
      rehearsed: Measures;
      /** The photo set straight and balanced: red, green, blue and alpha. */
      straight: { width: number; height: number; pixels: Uint8ClampedArray };
    }
  | { ok: false; reason: string };

/** Why a photo cannot be read. */
export const CARD_WRONG =
  "What it is balanced by is burnt out or too dark there. Touch its middle, or take the picture in other light.";
export const IN_ONE_LINE = "These places lie in one line: touch each of the four where it is named.";

/** Fine enough for shares; and for the widths of veins, where there are some: samples along the longer side. */
const SHARES_PX = 420;
const WIDTHS_PX = 800;
/** From two steps back the eye tells apart what is so far apart, mm. */
const EYE_MM = 7;
/** What a share that was read off a photo is off by at most, points (forty simulated photos; docs/models/learning.md). */
export const SHARE_OFF = 2;
/** And a width, mm. */
export const WIDTH_OFF_MM = 1.5;
/** And the width of cells, as a share of it; eight in ten are off by less than 0.15 of it. */
export const CELLS_OFF = 0.28;

function sheetOn({ outline }: Measured, longPx: number, colours: number): Sheet {
  const { widthMm, heightMm } = outline;
  const pixelMm = Math.max(widthMm, heightMm) / longPx;
  return {
    widthPx: Math.max(2, Math.round(widthMm / pixelMm)),
    heightPx: Math.max(2, Math.round(heightMm / pixelMm)),
    pixelMm,
    fromX: 0,
    fromY: 0,
    base: 0,
    colours,
  };
}

/** Whether a sample of a sheet lies on the top of a piece. */
function insideOf(piece: Measured, { widthPx, pixelMm, fromX, fromY }: Sheet): (sample: number) => boolean {
  const holes = piece.piece.cutOuts.map((cutOut) => cutOutRing(cutOut, piece.outline));
  return (sample) => {
    const at = {
      x: fromX + ((sample % widthPx) + 0.5) * pixelMm,
      y: fromY + (Math.floor(sample / widthPx) + 0.5) * pixelMm,
    };
    return placeIn(at, piece.outline.corners) > 0 && holes.every((hole) => placeIn(at, hole) < 0);
  };
}

function measured(
  shares: Shares,
  of: PieceRehearsal,
  members: readonly number[][],
  lines: readonly boolean[],
): Measures {
  const difference = differenceIn(of.palette);
  const first = members.map(([at = 0]) => at);
  return {
    onTop: sharesOnPiece(shares),
    leftRight: members.map((_, n) => balanceIn(shares, n).leftRight),
    backFront: members.map((_, n) => balanceIn(shares, n).backFront),
    thirds: members.map((_, n) => thirds(shares, n)),
    mud: mud(shares, (a, b) => difference(first[a] ?? 0, first[b] ?? 0)),
    apart: segregation(shares, EYE_MM),
    regular: regularity(
      shares,
      first.map((at) => (of.palette[at]?.lab[0] ?? 0) / 100),
    ),
    widths: members.map((_, n) => (lines[n] ? widthsOf(shares, n) : null)),
    cells: members.map((_, n) => (lines[n] ? null : cellMm(shares, n))),
  };
}

/** What a rehearsal has on the top of its piece, by the looks that a photo tells apart. */
function rehearsedShares(
  of: PieceRehearsal,
  sheet: Sheet,
  members: readonly number[][],
  inside: (sample: number) => boolean,
): Shares {
  const shares = evaluate(
    compile(of.rehearsal).ops,
    { ...sheet, base: of.rehearsal.base, colours: of.palette.length },
    { closeness: CLOSE },
  );
  const many = sheet.widthPx * sheet.heightPx;
  const weight = new Float32Array(many * members.length);
  for (let i = 0; i < many; i += 1) {
    if (!inside(i)) continue;
    members.forEach((all, n) => {
      weight[n * many + i] = all.reduce((sum, at) => sum + (shares.weight[at * many + i] as number), 0);
    });
  }
  return { ...shares, sheet: { ...sheet, colours: members.length }, weight };
}

/** So much of a piece may lie outside of its photo. */
const MOST_OUTSIDE = 0.02;

/** Share of a piece of which the photo has nothing. */
function outsideShare({ sheet, light }: Straight, inside: (sample: number) => boolean): number {
  let [all, without] = [0, 0];
  for (let i = 0; i < sheet.widthPx * sheet.heightPx; i += 1) {
    if (!inside(i)) continue;
    all += 1;
    if (Number.isNaN(light[3 * i])) without += 1;
  }
  return all > 0 ? without / all : 1;
}

/** Encoded for a screen: what lies beyond white is white. */
const encoded = (light: number): number => {
  const v = Math.min(1, Math.max(0, light));
  return 255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);
};

/**
 * Reads a photo of a piece with the measures of its rehearsal, and sets both side by side.
 * @param card middle of the grey card in the photo, px, or of a patch whose colour is `known`, linear; null where the photo's light is taken as it is
 * @param lines palette places of colours that are laid as veins
 */
export function judgePhoto({
  photo,
  anchors,
  card,
  known,
  piece,
  of,
  lines,
}: {
  photo: Photo;
  anchors: readonly Anchor[];
  card: (At & { radius: number }) | null;
  known?: Rgb;
  piece: Measured;
  of: PieceRehearsal;
  lines: readonly number[];
}): PhotoJudged {
  const light = card ? balanceOf(photo, card, known) : ([1, 1, 1] as const);
  if (!light) return { ok: false, reason: CARD_WRONG };
  const looks = looksApart(of.palette);
  const inks = looks.map(({ ink }) => ink);
  const nearly = nearlyAlike(looks);
  const members = looks.map((look) => look.members);
  const asLines = members.map((all) => all.some((at) => lines.includes(at)));
  const sheet = sheetOn(piece, asLines.some((is) => is) ? WIDTHS_PX : SHARES_PX, inks.length);
  const inside = insideOf(piece, sheet);
  let straight: Straight;
  try {
    straight = straighten(photo, anchors, sheet, light);
  } catch {
    return { ok: false, reason: IN_ONE_LINE };
  }
  if (outsideShare(straight, inside) > MOST_OUTSIDE)
    return {
      ok: false,
      reason:
        "By these places part of the piece lies outside of the photo. Touch each of the four where it is named.",
    };
  const shares = readShares(straight, inks, inside);
  const planned = rehearsedShares(of, sheet, members, inside);
  const pixels = new Uint8ClampedArray(sheet.widthPx * sheet.heightPx * 4);
  for (let i = 0; i < sheet.widthPx * sheet.heightPx; i += 1) {
    for (let channel = 0; channel < 3; channel += 1)
      pixels[4 * i + channel] = encoded(straight.light[3 * i + channel] as number);
    pixels[4 * i + 3] = inside(i) ? 255 : 0;
  }
  return {
    ok: true,
    looks: looks.map(({ ink: { name, hex } }, n) => ({
      name,
      hex,
      lines: asLines[n] ?? false,
      nearly: nearly[n] ?? [],
    })),
    seen: measured(shares, of, members, asLines),
    rehearsed: measured(planned, of, members, asLines),
    straight: { width: sheet.widthPx, height: sheet.heightPx, pixels },
  };
}

/** What a photo says of each colour, as it is kept. */
export const photoLooks = ({ looks, seen, rehearsed }: Extract<PhotoJudged, { ok: true }>): PhotoLook[] =>
  looks.map(({ name, lines }, n) => ({
    name,
    seen: seen.onTop[n] ?? 0,
    rehearsed: rehearsed.onTop[n] ?? 0,
    widthMm: (lines && seen.widths[n]?.likely) || null,
    rehearsedMm: (lines && rehearsed.widths[n]?.likely) || null,
    cellMm: seen.cells[n] ?? null,
    rehearsedCellMm: rehearsed.cells[n] ?? null,
  }));
