import type { EdgeName, EdgeTreatment } from "./piece";

/** One edge with its length and what is coated of it. */
export type MeasuredEdge = {
  name: EdgeName;
  treatment: EdgeTreatment;
  lengthMm: number;
  faceAreaMm2: number;
};
