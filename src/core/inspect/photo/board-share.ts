import { meanOfPatch } from "../../colour/camera";
import { decoded, type Rgb } from "../../colour/spaces";
import type { Ink } from "../../pattern/engine/picture";
import type { Sheet } from "../../pattern/engine/sheet";
import { looksApart, looksTheSame } from "./alike";
import { CARD_WRONG, IN_ONE_LINE } from "./judge-photo";
import type { At } from "./perspective";
import { readShares, sharesOnPiece } from "./read-shares";
import { balanceOf, straighten, type Balance, type Photo, type Straight } from "./straighten";

/** Samples along a side. Shares do not go by how long a board's sides are. */
const SIDE_PX = 360;

type Unread = { ok: false; reason: string };
export type BoardShare = { ok: true; share: number } | Unread;
/** By the looks of a palette. */
export type BoardLooks = { ok: true; shares: number[] } | Unread;

type Seen = { photo: Photo; corners: readonly At[]; card: At; radius: number };

/** Shares of a board by the inks that lie on it, set straight by its corners. */
function sharesOf({ photo, corners }: Seen, light: Balance, inks: readonly Ink[]): BoardLooks {
  const sheet: Sheet = {
    widthPx: SIDE_PX,
    heightPx: SIDE_PX,
    pixelMm: 1,
    fromX: 0,
    fromY: 0,
    base: 0,
    colours: inks.length,
  };
  const places = [
    { x: 0, y: 0 },
    { x: SIDE_PX, y: 0 },
    { x: SIDE_PX, y: SIDE_PX },
    { x: 0, y: SIDE_PX },
  ];
  let straight: Straight;
  try {
    straight = straighten(
      photo,
      places.map((onPiece, n) => ({ onPiece, inPhoto: corners[n] as At })),
      sheet,
      light,
    );
  } catch {
    return { ok: false, reason: IN_ONE_LINE };
  }
  return { ok: true, shares: sharesOnPiece(readShares(straight, inks, () => true)) };
}

/**
 * Share of a board, 0 to 1, that has a touched colour: the board set straight by its corners, balanced by the grey card, each of its samples given to
 * the nearer of the touched colours.
 * @param asked.corners of the board in the photo, px, in order round it
 * @param asked.radius of the patches that are read, px
 */
export function boardShare(asked: Seen & { counted: readonly At[]; others: readonly At[] }): BoardShare {
  const { photo, card, counted, others, radius } = asked;
  const light = balanceOf(photo, { ...card, radius });
  if (!light) return { ok: false, reason: CARD_WRONG };
  const inkAt = (spot: At): Ink => {
    const mean = meanOfPatch(photo.pixels, photo.width, photo.height, { ...spot, radius });
    const rgb = mean.map((channel, n) => decoded(channel / 255) * (light[n] as number)) as unknown as Rgb;
    return { rgb, metallic: false };
  };
  const [wanted, rest] = [counted.map(inkAt), others.map(inkAt)];
  if (wanted.some((a) => rest.some((b) => looksTheSame(a, b))))
    return {
      ok: false,
      reason: "The colour that is counted and one that is not look the same there. Touch each in its middle.",
    };
  const read = sharesOf(asked, light, [...wanted, ...rest]);
  if (!read.ok) return read;
  return { ok: true, share: wanted.reduce((sum, _, n) => sum + (read.shares[n] as number), 0) };
}

/** Shares of a board, 0 to 1, by the looks of a palette ({@link looksApart}), such as of the board that was approved. */
export function boardLooks(asked: Seen & { palette: readonly Ink[] }): BoardLooks {
  const light = balanceOf(asked.photo, { ...asked.card, radius: asked.radius });
  if (!light) return { ok: false, reason: CARD_WRONG };
  return sharesOf(
    asked,
    light,
    looksApart(asked.palette).map(({ ink }) => ink),
  );
}
