import type { EdgeName, EdgeTreatment } from "./piece";

/** One edge with its length and what is coated of it. */
export type MeasuredEdge = {
  name: EdgeName;
  treatment: EdgeTreatment;
  lengthMm: number;
  faceAreaMm2: number;
};

/** Lengths of edges by how they are treated, to be added to, mm. */
export const noLengths = (): Record<EdgeTreatment, number> => ({
  face: 0,
  wall: 0,
  dam: 0,
  open: 0,
  joint: 0,
  masked: 0,
});
