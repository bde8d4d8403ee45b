import { compile, opsAfter, type Compiled } from "@/core/pattern/passes/compile";
import { CLOSE, evaluate, ROUGH } from "@/core/pattern/engine/evaluate";
import { marginPx, type Light } from "@/core/pattern/engine/lit";
import { pictureOf } from "@/core/pattern/engine/picture";
import type { Shares } from "@/core/pattern/engine/sheet";
import {
  blendedByRound,
  measurePicture,
  sheetOf,
  type PictureMeasures,
} from "@/core/rehearsal/judge-picture";
import { litPieceOf } from "@/core/rehearsal/lit-piece";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";

export type Pictured = Pick<PieceRehearsal, "rehearsal" | "palette">;

type RowsWanted = {
  kind: "rows";
  task: number;
  key: number;
  passes: number;
  widthPx: number;
  /** Rows of samples, from and to before. */
  from: number;
  to: number;
  /** A first picture, soon. */
  rough?: boolean;
  /** As it looks under a lamp; the plain picture where it is absent. */
  light?: Light;
};

/** What is asked of a picture: that it be known, some rows of it, or its measures. */
export type RehearseQuestion =
  | { kind: "know"; key: number; of: Pictured }
  | { kind: "forget"; key: number }
  | RowsWanted
  | { kind: "measure"; task: number; key: number; passes: number; widthPx: number }
  | { kind: "keep"; task: number; key: number; passes: number; widthPx: number }
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
  | { task: number; kept: true }
  | { task: number; failed: string };

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<RehearseQuestion>) => void) | null;
  postMessage: (message: RehearseAnswer, transfer?: Transferable[]) => void;
};

type Known = Pictured & { compiled: Compiled | null };
/** The rehearsals that were told and not taken back: sisters and a step back need no new compiling. */
const known = new Map<number, Known>();
/** A picture after some passes that is kept for those that change only what comes after. */
let kept: { prints: string[]; shares: Shares } | null = null;

/** From the last one of the same sister the passes with which both begin are taken. */
function compiledOf(told: Known): Compiled {
  if (told.compiled) return told.compiled;
  const earlier = [...known.values()].findLast(
    ({ compiled, rehearsal }) => compiled && rehearsal.seed === told.rehearsal.seed,
  );
  told.compiled = compile(told.rehearsal, earlier?.compiled ?? null);
  return told.compiled;
}

const keptUnder = ({ prints }: Compiled, passes: number) =>
  kept && kept.prints.length <= passes && kept.prints.every((print, n) => print === prints[n]) ? kept : null;

/** Keeps the picture after some passes. */
function keep(told: Known, passes: number, widthPx: number): void {
  const compiled = compiledOf(told);
  const { rehearsal, palette } = told;
  if (keptUnder(compiled, passes)?.prints.length === passes) return;
  const ops = compiled.ops.slice(0, opsAfter(compiled, passes));
  const shares = evaluate(ops, sheetOf(rehearsal, palette.length, widthPx), { closeness: CLOSE });
  kept = { prints: compiled.prints.slice(0, passes), shares };
}

/** Parts that were worked out last, by what they are parts of: another light on them needs nothing but to be lit. */
const parts = new Map<string, Shares>();
const MOST_PARTS = 24;

/** Shares of some rows; a first picture over what is kept, where it is kept. */
function sharesOf(
  told: Known,
  { key, passes, widthPx, rough = false }: RowsWanted,
  from: number,
  to: number,
): Shares {
  const asked = [key, passes, widthPx, from, to, rough].join();
  const known = parts.get(asked);
  if (known) return known;
  const { rehearsal, palette } = told;
  const compiled = compiledOf(told);
  const whole = sheetOf(rehearsal, palette.length, widthPx);
  const sheet = { ...whole, heightPx: Math.max(1, to - from), fromY: whole.fromY + from * whole.pixelMm };
  const before = rough ? keptUnder(compiled, passes) : null;
  const ops = compiled.ops.slice(opsAfter(compiled, before?.prints.length ?? 0), opsAfter(compiled, passes));
  const shares = evaluate(ops, sheet, { closeness: rough ? ROUGH : CLOSE, under: before?.shares ?? null });
  parts.set(asked, shares);
  const oldest = parts.keys().next().value;
  if (parts.size > MOST_PARTS && oldest !== undefined) parts.delete(oldest);
  return shares;
}

/** Some rows of a picture, as a picture of their own. Lit, they are worked out with those beside them, whose light comes out in them. */
function rowsOf(told: Known, wanted: RowsWanted): DrawnRows {
  const { rehearsal, palette } = told;
  const { widthPx, from, light } = wanted;
  const whole = sheetOf(rehearsal, palette.length, widthPx);
  const to = Math.max(from + 1, Math.min(whole.heightPx, wanted.to));
  const margin = light ? marginPx(whole.pixelMm) : 0;
  const [first, last] = [Math.max(0, from - margin), Math.min(whole.heightPx, to + margin)];
  const shares = sharesOf(told, wanted, first, last);
  const rgba = light
    ? litPieceOf(told, shares, light)
    : pictureOf(shares, palette, rehearsal.seed, rehearsal.angle);
  const own = light ? rgba.slice(4 * widthPx * (from - first), 4 * widthPx * (to - first)) : rgba;
  return { topPx: from, widthPx, heightPx: to - from, rgba: own as Uint8ClampedArray<ArrayBuffer> };
}

scope.onmessage = ({ data }) => {
  if (data.kind === "know") {
    known.set(data.key, { ...data.of, compiled: null });
    return;
  }
  if (data.kind === "forget") {
    known.delete(data.key);
    for (const asked of [...parts.keys()]) if (asked.startsWith(`${data.key},`)) parts.delete(asked);
    return;
  }
  const told = known.get(data.key);
  if (!told) return scope.postMessage({ task: data.task, failed: "not known" });
  if (data.kind === "rounds")
    return scope.postMessage({ task: data.task, byRound: blendedByRound(told, data.passId) });
  if (data.kind === "keep") {
    keep(told, data.passes, data.widthPx);
    return scope.postMessage({ task: data.task, kept: true });
  }
  if (data.kind === "measure")
    return scope.postMessage({
      task: data.task,
      measures: measurePicture(told, data.passes, data.widthPx, compiledOf(told)),
    });
  const rows = rowsOf(told, data);
  scope.postMessage({ task: data.task, rows }, [rows.rgba.buffer]);
};
