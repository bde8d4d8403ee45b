import { besides } from "./besides";
import type { Point } from "./curves";
import { cutOutRing } from "./cut-out";
import { developedFaceHeightMm, type Measured } from "./measure";
import { edgeOf } from "./piece";
import { boxOf, ringTurn, type Box } from "./ring";
import { byIdentity } from "../numerics/by-identity";

/** A face folded out flat beside the top: its ring, and the edge along which it is folded. */
export type UnfoldedFace = { name: string; ring: Point[]; fold: Point[]; inside: boolean };

function unfold({ piece, outline }: Measured): UnfoldedFace[] {
  if (piece.shape.kind === "tumbler" || piece.shape.kind === "mould") return [];
  const turn = ringTurn(outline.corners);
  const sides = outline.sides.flatMap(({ name, path }): UnfoldedFace[] => {
    const { treatment, heightMm, roundingMm } = edgeOf(piece, name);
    const high = developedFaceHeightMm(heightMm, roundingMm);
    if ((treatment !== "face" && treatment !== "dam") || high <= 0 || path.length < 2) return [];
    const [first, last] = [path[0] as Point, path.at(-1) as Point];
    const closed = Math.hypot(first.x - last.x, first.y - last.y) < 1e-6;
    return [
      { name, inside: false, fold: path, ring: [...path, ...besides(path, high * turn, closed).reverse()] },
    ];
  });
  const openings = piece.cutOuts.flatMap((cutOut): UnfoldedFace[] => {
    if (!cutOut.innerFace) return [];
    const high = developedFaceHeightMm(cutOut.innerFace.heightMm, cutOut.innerFace.roundingMm);
    const ring = cutOutRing(cutOut, outline);
    if (high <= 0 || ring.length < 3) return [];
    const path = [...ring, ring[0] as Point];
    const inner = besides(path, -high * ringTurn(ring), true);
    return [{ name: cutOut.name, inside: true, fold: path, ring: [...path, ...inner.reverse()] }];
  });
  return [...sides, ...openings];
}

/**
 * The coated faces of a piece folded out around its top, those of cut-outs into their openings; each as high as its film is long over the
 * rounding. None for tumblers and moulds. At an inner corner two faces lie over each other, as paper would.
 */
export const unfoldedFaces = byIdentity(unfold);

/** What the top and its folded faces cover together. */
export function unfoldedBox(measured: Measured): Box {
  const { widthMm, heightMm } = measured.outline;
  return boxOf([
    { x: 0, y: 0 },
    { x: widthMm, y: heightMm },
    ...unfoldedFaces(measured).flatMap(({ ring }) => ring),
  ]);
}
