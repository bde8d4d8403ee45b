import {
  cutOutAreaMm2,
  cutOutPerimeterMm,
  edgeLengths,
  outlineAreaMm2,
  outlineOf,
  type Outline,
} from "./outline";
import { edgeOf, type EdgeName, type EdgeTreatment, type Piece } from "./piece";
import { faultsOf, type Fault } from "./faults";

/** One edge with its length and what is coated of it. */
export type MeasuredEdge = {
  name: EdgeName;
  treatment: EdgeTreatment;
  lengthMm: number;
  faceAreaMm2: number;
};

/** A piece measured, for ONE of its kind; `count` says how many there are. */
export type Measured = {
  id: string;
  name: string;
  count: number;
  outline: Outline;
  edges: MeasuredEdge[];
  /** Horizontal area less cut-outs. */
  topAreaMm2: number;
  /** Vertical area that is coated: faces, dammed edges with a height, inner faces of cut-outs. */
  faceAreaMm2: number;
  faceLengthMm: number;
  /** Length of outline by how the film ends there; inner edges of cut-outs count under `face` when coated. */
  lengthByTreatmentMm: Record<EdgeTreatment, number>;
  perimeterMm: number;
};

export type Measurement =
  { ok: true; measured: Measured } | { ok: false; id: string; name: string; faults: Fault[] };

/**
 * Developed height of a rounded face: the arc replaces r of the top and r of the face,
 * so the way over the edge is shorter by (2 − π/2)·r.
 */
export function developedFaceHeightMm(heightMm: number, roundingMm: number): number {
  return heightMm <= 0 ? 0 : heightMm - (2 - Math.PI / 2) * roundingMm;
}

function measuredEdges(piece: Piece, outline: Outline): MeasuredEdge[] {
  return edgeLengths(outline).map(({ name, lengthMm }) => {
    const edge = edgeOf(piece, name);
    const coated = edge.treatment === "face" || edge.treatment === "dam";
    return {
      name,
      treatment: edge.treatment,
      lengthMm,
      faceAreaMm2: coated ? lengthMm * developedFaceHeightMm(edge.heightMm, edge.roundingMm) : 0,
    };
  });
}

/** Measures one piece, or says what about it cannot be. Exact, but for the perimeter of an oval (Ramanujan, under 4·10⁻⁴). */
export function measurePiece(piece: Piece): Measurement {
  const faults = faultsOf(piece);
  if (faults.length > 0) return { ok: false, id: piece.id, name: piece.name, faults };
  const outline = outlineOf(piece.shape);
  const edges = measuredEdges(piece, outline);
  const lengthByTreatmentMm: Record<EdgeTreatment, number> = { face: 0, wall: 0, dam: 0, open: 0 };
  let faceAreaMm2 = 0;
  let faceLengthMm = 0;
  let perimeterMm = 0;
  for (const edge of edges) {
    lengthByTreatmentMm[edge.treatment] += edge.lengthMm;
    perimeterMm += edge.lengthMm;
    faceAreaMm2 += edge.faceAreaMm2;
    if (edge.faceAreaMm2 > 0) faceLengthMm += edge.lengthMm;
  }
  let topAreaMm2 = outlineAreaMm2(outline);
  for (const cutOut of piece.cutOuts) {
    topAreaMm2 -= cutOutAreaMm2(cutOut);
    if (!cutOut.innerFace) continue;
    const around = cutOutPerimeterMm(cutOut);
    faceAreaMm2 += around * developedFaceHeightMm(cutOut.innerFace.heightMm, cutOut.innerFace.roundingMm);
    faceLengthMm += around;
    lengthByTreatmentMm.face += around;
  }
  return {
    ok: true,
    measured: {
      id: piece.id,
      name: piece.name,
      count: piece.count,
      outline,
      edges,
      topAreaMm2,
      faceAreaMm2,
      faceLengthMm,
      lengthByTreatmentMm,
      perimeterMm,
    },
  };
}
