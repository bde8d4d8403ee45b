/** Where things stand on the axis of a coat, px. */
export const LEFT = 190;
export const RIGHT = 20;
export const HEAD = 26;
export const BEAM = { top: HEAD + 22, height: 40 };
export const FLOW = { top: BEAM.top + BEAM.height + 12, height: 42 };
export const ROWS = FLOW.top + FLOW.height + 16;
export const ROW = 30;
export const HOUR = 60;
