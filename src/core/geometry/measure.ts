import { exactly, type Spread } from "../numerics/spread";
import { cutOutAreaMm2, cutOutPerimeterMm } from "./cut-out";
import type { Fault } from "./fault";
import { faultsOf } from "./faults";
import { tumblerAreas } from "./frustum";
import { draftedVolume, shrinkTerm } from "./mould";
import { outlineOf, type Outline } from "./outline";
import { noLengths, type MeasuredEdge } from "./measured-edge";
import { edgeOf, type EdgeTreatment, type Piece, type Shape } from "./piece";
import { stationAreas } from "./stations";
import { zoneFaults } from "./zones/zone-faults";
import { byIdentity } from "../numerics/by-identity";
import {
  measuredBarriers,
  measuredZones,
  type InnerFace,
  type MeasuredBarrier,
  type MeasuredZone,
} from "./zones/measured-zones";
import { zoneMapOf, type Border } from "./zones/zone-map";

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
  /** Its zones, which together are the piece; none where it is all of one. */
  zones: MeasuredZone[];
  borders: Border[];
  barriers: MeasuredBarrier[];
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

function wholeOf(piece: Piece): Whole {
  const faults = faultsOf(piece);
  if (faults.length > 0) return { ok: false, faults };
  const outline = outlineOf(piece);
  const edges = measuredEdges(piece, outline);
  const lengthByTreatmentMm = noLengths();
  let faceAreaMm2 = 0;
  let faceLengthMm = 0;
  for (const edge of edges) {
    lengthByTreatmentMm[edge.treatment] += edge.lengthMm;
    faceAreaMm2 += edge.faceAreaMm2;
    if (edge.faceAreaMm2 > 0) faceLengthMm += edge.lengthMm;
  }
  const innerFaces = innerFacesOf(piece);
  for (const { lengthMm, areaMm2 } of innerFaces) {
    faceAreaMm2 += areaMm2;
    faceLengthMm += lengthMm;
    lengthByTreatmentMm.face += lengthMm;
  }
  const fill = fillOf(piece, outline);
  return {
    ok: true,
    innerFaces,
    figures: {
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

function innerFacesOf({ cutOuts }: Piece): InnerFace[] {
  return cutOuts.flatMap((cutOut) => {
    if (!cutOut.innerFace) return [];
    const lengthMm = cutOutPerimeterMm(cutOut);
    const { heightMm, roundingMm } = cutOut.innerFace;
    return [
      { cutOutId: cutOut.id, lengthMm, areaMm2: lengthMm * developedFaceHeightMm(heightMm, roundingMm) },
    ];
  });
}

/** What is measured of a piece whatever it is divided into. */
type Whole =
  | {
      ok: true;
      innerFaces: InnerFace[];
      figures: Omit<Measured, "id" | "name" | "count" | "piece" | "zones" | "borders" | "barriers">;
    }
  | { ok: false; faults: Fault[] };

/** What a shape came to the last time: where only its zones change the rest is as it was. */
const lastWhole = byIdentity((_shape: Shape) => ({ known: null as { of: Piece; whole: Whole } | null }));

const sameButForZones = (a: Piece, b: Piece): boolean =>
  a.edges === b.edges &&
  a.cutOuts === b.cutOuts &&
  a.voids === b.voids &&
  a.bothSides === b.bothSides &&
  a.count === b.count &&
  a.name === b.name;

function measured(piece: Piece): Measurement {
  const { id, name, count } = piece;
  const last = lastWhole(piece.shape);
  if (!last.known || !sameButForZones(last.known.of, piece))
    last.known = { of: piece, whole: wholeOf(piece) };
  const { whole } = last.known;
  const faults = whole.ok ? zoneFaults(piece) : whole.faults;
  if (!whole.ok || faults.length > 0) return { ok: false, id, name, faults };
  const { figures, innerFaces } = whole;
  const borders = zoneMapOf(piece)?.borders ?? [];
  return {
    ok: true,
    measured: {
      id,
      name,
      count,
      piece,
      ...figures,
      zones: measuredZones(piece, figures.edges, innerFaces, figures.topAreaMm2),
      borders,
      barriers: measuredBarriers(borders),
    },
  };
}

/**
 * Measures one piece, or says what about it cannot be; worked out once for each piece object.
 * Exact, but for the perimeter of an oval (Ramanujan, under 4·10⁻⁴) and the reading of a channel.
 */
export const measurePiece = byIdentity(measured);
