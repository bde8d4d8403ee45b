/** A place on a piece, mm from the corner of its outline's box. */
export type Place = { pieceId: string; xMm: number; yMm: number };
