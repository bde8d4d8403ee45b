import { exactly, type Spread } from "../numerics/spread";
import { cutOutAreaMm2, cutOutPerimeterMm } from "./cut-out";
import { faultsOf, type Fault } from "./faults";
import { tumblerAreas } from "./frustum";
import { draftedVolume, shrinkTerm } from "./mould";
import { outlineOf, type Outline } from "./outline";
import { edgeOf, type EdgeName, type EdgeTreatment, type Piece } from "./piece";
import { stationAreas } from "./stations";
import { byIdentity } from "../numerics/by-identity";

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
  piece: Piece;
  outline: Outline;
  edges: MeasuredEdge[];
  /** Area that is coated lying flat: the top less cut-outs, both sides where both are, a tumbler's wall and base. */
  topAreaMm2: number;
  /** Vertical area that is coated: faces, dammed edges with a height, inner faces of cut-outs. */
  faceAreaMm2: number;
  faceLengthMm: number;
  /** Length of outline by how the film ends there; inner edges of cut-outs count under `face` when coated. */
  lengthByTreatmentMm: Record<EdgeTreatment, number>;
  perimeterMm: number;
  /** Seams between slabs, to be filled before the coats. */
  jointLengthMm: number;
  /** What an edge seal covers: the banks of a channel, the walls of a mould, else the faces. */
  sealAreaMm2: number;
  /** What a channel or mould holds, with the spread of its reading; null for what is only coated. */
  fillMl: Spread | null;
  fillDepthMm: number;
  /** Cracks, knots and wormholes that are filled first. */
  voidMl: number;
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
  return outline.sides.map(({ name, lengthMm }) => {
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

/** What a channel or a mould holds. The difference of its two rules of integration is a channel's spread. */
function fillOf(piece: Piece, outline: Outline): { fillMl: Spread; depthMm: number; wallMm2: number } | null {
  const { shape } = piece;
  if (shape.kind === "river") {
    const { simpsonMm2, trapezoidMm2 } = stationAreas(shape.stations);
    const apartMm2 = Math.abs(simpsonMm2 - trapezoidMm2);
    const ml = (area: number) => (area * shape.depthMm) / 1000;
    const banks = outline.sides.filter((side) => side.name === "back" || side.name === "front");
    return {
      fillMl: {
        low: ml(simpsonMm2 - apartMm2),
        likely: ml(simpsonMm2),
        high: ml(simpsonMm2 + apartMm2),
      },
      depthMm: shape.depthMm,
      wallMm2: banks.reduce((sum, side) => sum + side.lengthMm, 0) * shape.depthMm,
    };
  }
  if (shape.kind === "mould") {
    const shrink = shrinkTerm(outline.corners, outline.smooth);
    const drafted = draftedVolume(
      outline.areaMm2,
      outline.perimeterMm,
      shrink,
      shape.depthMm,
      shape.draftDeg,
    );
    return {
      fillMl: exactly(drafted.volumeMm3 / 1000),
      depthMm: shape.depthMm,
      wallMm2: drafted.wallMm2,
    };
  }
  return null;
}

function flatAreaMm2(piece: Piece, outline: Outline): number {
  if (piece.shape.kind === "tumbler") return tumblerAreas(piece.shape).coatedMm2;
  const cut = piece.cutOuts.reduce((sum, cutOut) => sum + cutOutAreaMm2(cutOut), 0);
  return (outline.areaMm2 - cut) * (piece.bothSides ? 2 : 1);
}

export const voidVolumeMl = ({ lengthMm, widthMm, depthMm, count }: NonNullable<Piece["voids"]>[number]) =>
  (lengthMm * widthMm * depthMm * count) / 1000;

function measured(piece: Piece): Measurement {
  const faults = faultsOf(piece);
  if (faults.length > 0) return { ok: false, id: piece.id, name: piece.name, faults };
  const outline = outlineOf(piece);
  const edges = measuredEdges(piece, outline);
  const lengthByTreatmentMm: Record<EdgeTreatment, number> = {
    face: 0,
    wall: 0,
    dam: 0,
    open: 0,
    joint: 0,
    masked: 0,
  };
  let faceAreaMm2 = 0;
  let faceLengthMm = 0;
  for (const edge of edges) {
    lengthByTreatmentMm[edge.treatment] += edge.lengthMm;
    faceAreaMm2 += edge.faceAreaMm2;
    if (edge.faceAreaMm2 > 0) faceLengthMm += edge.lengthMm;
  }
  for (const cutOut of piece.cutOuts) {
    if (!cutOut.innerFace) continue;
    const around = cutOutPerimeterMm(cutOut);
    faceAreaMm2 += around * developedFaceHeightMm(cutOut.innerFace.heightMm, cutOut.innerFace.roundingMm);
    faceLengthMm += around;
    lengthByTreatmentMm.face += around;
  }
  const fill = fillOf(piece, outline);
  return {
    ok: true,
    measured: {
      id: piece.id,
      name: piece.name,
      count: piece.count,
      piece,
      outline,
      edges,
      topAreaMm2: flatAreaMm2(piece, outline),
      faceAreaMm2,
      faceLengthMm,
      lengthByTreatmentMm,
      perimeterMm: outline.perimeterMm,
      jointLengthMm: outline.joints.reduce((sum, [a, b]) => sum + Math.hypot(b.x - a.x, b.y - a.y), 0),
      sealAreaMm2: fill ? fill.wallMm2 : faceAreaMm2,
      fillMl: fill?.fillMl ?? null,
      fillDepthMm: fill?.depthMm ?? 0,
      voidMl: (piece.voids ?? []).reduce((sum, hollow) => sum + voidVolumeMl(hollow), 0),
    },
  };
}

/**
 * Measures one piece, or says what about it cannot be; worked out once for each piece object.
 * Exact, but for the perimeter of an oval (Ramanujan, under 4·10⁻⁴) and the reading of a channel.
 */
export const measurePiece = byIdentity(measured);
