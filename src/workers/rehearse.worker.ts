import { compile, type Rehearsal } from "@/core/pattern/compile";
import { evaluate } from "@/core/pattern/evaluate";
import { balance, mud, onTop, segregation } from "@/core/pattern/measures";
import { pictureOf } from "@/core/pattern/picture";
import { differenceIn, type PaletteColour } from "@/core/plan/rehearse";

export type RehearseQuestion = {
  rehearsal: Rehearsal;
  palette: PaletteColour[];
  /** Widths of the picture, px, one after the other. */
  widthsPx: number[];
  /** How many of its passes are done. */
  passes: number;
};

/** A picture of one width, and what was measured on it. */
export type RehearseAnswer = {
  widthPx: number;
  heightPx: number;
  rgba: Uint8ClampedArray<ArrayBuffer>;
  onTop: number[];
  leftRight: number[];
  /** Mud above that of the poured state, null until the picture is fine enough; and how far apart the colours lie two steps back. */
  mud: number | null;
  apart: number;
  last: boolean;
};

/** From two steps back the eye tells apart what is so far apart, mm. */
const EYE_MM = 7;
/** A picture so wide is fine enough to tell mud, px. */
const MUD_PX = 500;

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<RehearseQuestion>) => void) | null;
  postMessage: (message: RehearseAnswer, transfer: Transferable[]) => void;
};

scope.onmessage = ({ data: { rehearsal, palette, widthsPx, passes } }) => {
  const { ops, steps } = compile(rehearsal);
  const done = ops.slice(0, passes > 0 ? (steps[passes - 1]?.ops ?? 0) : 0);
  const difference = differenceIn(palette);
  const sheetOf = (widthPx: number) => ({
    widthPx,
    heightPx: Math.max(1, Math.round((widthPx * rehearsal.heightMm) / rehearsal.widthMm)),
    pixelMm: rehearsal.widthMm / widthPx,
    base: rehearsal.base,
    colours: palette.length,
  });
  const poured = steps
    .slice(0, passes)
    .flatMap(({ ops: end, pours }, n) => (pours ? ops.slice(n > 0 ? steps[n - 1]?.ops : 0, end) : []));
  /** Mud above that of what was only poured: its soft edges have some already. Worked out once, on a picture that is fine enough for it. */
  const mudWidth = widthsPx.find((width) => width >= MUD_PX) ?? widthsPx.at(-1);
  let muddied: number | null = null;
  for (const widthPx of widthsPx) {
    const sheet = sheetOf(widthPx);
    const shares = evaluate(done, sheet);
    if (widthPx === mudWidth)
      muddied = Math.max(0, mud(shares, difference) - mud(evaluate(poured, sheet), difference));
    const rgba = pictureOf(shares, palette, rehearsal.seed) as Uint8ClampedArray<ArrayBuffer>;
    scope.postMessage(
      {
        widthPx,
        heightPx: sheet.heightPx,
        rgba,
        onTop: onTop(shares),
        leftRight: palette.map((_, colour) => balance(shares, colour).leftRight),
        mud: muddied,
        apart: segregation(shares, EYE_MM),
        last: widthPx === widthsPx.at(-1),
      },
      [rgba.buffer],
    );
  }
};
