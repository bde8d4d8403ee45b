import { compile } from "@/core/pattern/compile";
import { evaluate } from "@/core/pattern/evaluate";
import type { Shares } from "@/core/pattern/sheet";
import { pictureOf } from "@/core/pattern/picture";
import { TILE } from "@/core/pattern/tile";
import { blendedByRound, measurePicture, sheetOf, type PictureMeasures } from "@/core/plan/judge-picture";
import type { PieceRehearsal } from "@/core/plan/rehearse";

export type Pictured = Pick<PieceRehearsal, "rehearsal" | "palette">;

/** What is asked of a picture: that it be known, some rows of tiles of it, or its measures. */
export type RehearseQuestion =
  | { kind: "know"; key: number; of: Pictured }
  | {
      kind: "rows";
      task: number;
      key: number;
      passes: number;
      widthPx: number;
      /** Rows of tiles, from and to before. */
      from: number;
      to: number;
    }
  | { kind: "measure"; task: number; key: number; passes: number; widthPx: number }
  | { kind: "rounds"; task: number; key: number; passId: string };

export type DrawnRows = {
  topPx: number;
  widthPx: number;
  heightPx: number;
  rgba: Uint8ClampedArray<ArrayBuffer>;
};
export type RehearseAnswer =
  | { task: number; rows: DrawnRows }
  | { task: number; byRound: number[] }
  | { task: number; measures: PictureMeasures }
  | { task: number; failed: string };

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<RehearseQuestion>) => void) | null;
  postMessage: (message: RehearseAnswer, transfer?: Transferable[]) => void;
};

type Known = Pictured & { compiled: ReturnType<typeof compile> | null };
/** The last rehearsals asked about: sisters and a step back need no new compiling. */
const known = new Map<number, Known>();
const MOST_KNOWN = 8;

function compiledOf(own: Known) {
  own.compiled ??= compile(own.rehearsal);
  return own.compiled;
}

/** Some rows of tiles of a picture, as a picture of their own. */
function rowsOf(own: Known, passes: number, widthPx: number, from: number, to: number): DrawnRows {
  const { rehearsal, palette } = own;
  const { ops, steps } = compiledOf(own);
  const done = ops.slice(0, passes > 0 ? (steps[passes - 1]?.ops ?? 0) : 0);
  const whole = sheetOf(rehearsal, palette.length, widthPx);
  const topPx = from * TILE;
  const heightPx = Math.max(1, Math.min(whole.heightPx, to * TILE) - topPx);
  const shares: Shares = evaluate(done, {
    ...whole,
    heightPx,
    fromY: whole.fromY + topPx * whole.pixelMm,
  });
  const rgba = pictureOf(shares, palette, rehearsal.seed, rehearsal.angle) as Uint8ClampedArray<ArrayBuffer>;
  return { topPx, widthPx, heightPx, rgba };
}

scope.onmessage = ({ data }) => {
  if (data.kind === "know") {
    known.set(data.key, { ...data.of, compiled: null });
    if (known.size > MOST_KNOWN) known.delete(known.keys().next().value as number);
    return;
  }
  const own = known.get(data.key);
  if (!own) return scope.postMessage({ task: data.task, failed: "not known" });
  if (data.kind === "rounds")
    return scope.postMessage({ task: data.task, byRound: blendedByRound(own, data.passId) });
  if (data.kind === "measure")
    return scope.postMessage({
      task: data.task,
      measures: measurePicture(own, data.passes, data.widthPx),
    });
  const rows = rowsOf(own, data.passes, data.widthPx, data.from, data.to);
  scope.postMessage({ task: data.task, rows }, [rows.rgba.buffer]);
};
