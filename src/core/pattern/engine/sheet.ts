/** A picture of a piece: size in samples, millimetres to a sample, the place of its upper left corner, the colour that lies under everything. */
export type Sheet = {
  widthPx: number;
  heightPx: number;
  pixelMm: number;
  fromX: number;
  fromY: number;
  base: number;
  colours: number;
};

/** Share of each colour in each sample, row by row; and the direction of its last strong shear. */
export type Shares = {
  sheet: Sheet;
  /** Of colour k at sample i: k × widthPx × heightPx + i. */
  weight: Float32Array;
  shear2x: Float32Array;
  shear2y: Float32Array;
  /** Where what is seen most of each sample was poured, mm. */
  sourceX: Float32Array;
  sourceY: Float32Array;
};

export const emptyShares = (sheet: Sheet): Shares => {
  const samples = sheet.widthPx * sheet.heightPx;
  return {
    sheet,
    weight: new Float32Array(samples * sheet.colours),
    shear2x: new Float32Array(samples),
    shear2y: new Float32Array(samples),
    sourceX: new Float32Array(samples),
    sourceY: new Float32Array(samples),
  };
};
