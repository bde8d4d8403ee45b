import type { Point } from "./curves";

/** Something impossible, with the field at which it is said (a path within the piece) and, on an outline, the place. */
export type Fault = { at: string; message: string; where?: Point };
