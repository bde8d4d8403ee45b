import type { Measured } from "@/core/geometry/measure";
import { compile, opsAfter } from "@/core/pattern/passes/compile";
import { CLOSE, evaluate } from "@/core/pattern/engine/evaluate";
import { emptyShares, type Shares, type Sheet } from "@/core/pattern/engine/sheet";
import { type Op } from "@/core/pattern/engine/op";
import { pictureOf } from "@/core/pattern/engine/picture";
import { critique, type Critique, type Practice } from "@/core/rehearsal/critique";
import { practisedOn, type PracticeStroke } from "@/core/rehearsal/practised-on";
import { sheetOf } from "@/core/rehearsal/judge-picture";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";

export type PracticeQuestion =
  | { kind: "begin"; of: PieceRehearsal; passes: number; widthPx: number }
  /** The pull that is being drawn, as it is so far; `lifted` when it is done. */
  | { kind: "pull"; stroke: PracticeStroke; number: number; lifted: boolean }
  /** All pulls up to a number are kept, the others undone. */
  | { kind: "keep"; pulls: number }
  | { kind: "judge"; piece: Measured; practice: Practice };

export type PracticeAnswer =
  | {
      kind: "part";
      leftPx: number;
      topPx: number;
      widthPx: number;
      heightPx: number;
      rgba: Uint8ClampedArray<ArrayBuffer>;
      ms: number;
    }
  | { kind: "judged"; critique: Critique };

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<PracticeQuestion>) => void) | null;
  postMessage: (message: PracticeAnswer, transfer?: Transferable[]) => void;
};

/** From so many operations on, what was done is baked into the picture under them: one more sampling in place of them all. */
const BAKE_FROM = 28;

type State = {
  of: PieceRehearsal;
  /** How many passes were done before. */
  passes: number;
  sheet: Sheet;
  /** What lies under the operations that are still followed one by one. */
  under: Shares;
  pulls: Op[][];
  /** Of those, how many lie in the picture under. */
  baked: number;
  fresh: Shares;
};
let state: State | null = null;

const liveOps = ({ pulls, baked }: State) => pulls.slice(baked).flat();

/** Works out and sends what lies in a box, mm. */
function send(state: State, box: { minX: number; minY: number; maxX: number; maxY: number }): void {
  const began = performance.now();
  const { sheet } = state;
  const column = (x: number) => Math.floor((x - sheet.fromX) / sheet.pixelMm);
  const row = (y: number) => Math.floor((y - sheet.fromY) / sheet.pixelMm);
  const left = Math.max(0, column(box.minX));
  const top = Math.max(0, row(box.minY));
  const right = Math.min(sheet.widthPx, column(box.maxX) + 1);
  const low = Math.min(sheet.heightPx, row(box.maxY) + 1);
  if (left >= right || top >= low) return;
  const part: Sheet = {
    ...sheet,
    widthPx: right - left,
    heightPx: low - top,
    fromX: sheet.fromX + left * sheet.pixelMm,
    fromY: sheet.fromY + top * sheet.pixelMm,
  };
  const shares = evaluate(liveOps(state), part, { under: state.under });
  const rgba = pictureOf(
    shares,
    state.of.palette,
    state.of.rehearsal.seed,
    state.of.rehearsal.angle,
  ) as Uint8ClampedArray<ArrayBuffer>;
  scope.postMessage(
    {
      kind: "part",
      leftPx: left,
      topPx: top,
      widthPx: part.widthPx,
      heightPx: part.heightPx,
      rgba,
      ms: performance.now() - began,
    },
    [rgba.buffer],
  );
}

const everywhere = ({ of }: State) => of.rehearsal.box;
const around = (ops: readonly Op[]) => ({
  minX: Math.min(...ops.map(({ box }) => box.minX)),
  minY: Math.min(...ops.map(({ box }) => box.minY)),
  maxX: Math.max(...ops.map(({ box }) => box.maxX)),
  maxY: Math.max(...ops.map(({ box }) => box.maxY)),
});

function bake(state: State): void {
  const into = emptyShares(state.sheet);
  state.under = evaluate(liveOps(state), state.sheet, { under: state.under, into });
  state.baked = state.pulls.length;
}

scope.onmessage = ({ data }) => {
  switch (data.kind) {
    case "begin": {
      const { rehearsal, palette } = data.of;
      const compiled = compile(rehearsal);
      const done = compiled.ops.slice(0, opsAfter(compiled, data.passes));
      const sheet = sheetOf(rehearsal, palette.length, data.widthPx);
      const under = evaluate(done, sheet, { closeness: CLOSE });
      state = { of: data.of, passes: data.passes, sheet, under, pulls: [], baked: 0, fresh: under };
      return send(state, everywhere(state));
    }
    case "pull": {
      const now = state;
      if (!now) return;
      const before = now.pulls[data.number] ?? [];
      const ops = practisedOn(now.of, now.passes, data.stroke, data.number);
      now.pulls[data.number] = ops;
      // Of a long pull only its last stretches have changed.
      const changed = [...before.slice(-1), ...ops.slice(Math.max(0, before.length - 1))];
      if (changed.length > 0) send(now, around(changed));
      if (data.lifted && liveOps(now).length >= BAKE_FROM) bake(now);
      return;
    }
    case "keep": {
      const now = state;
      if (!now) return;
      now.pulls = now.pulls.slice(0, data.pulls);
      if (data.pulls < now.baked) {
        now.under = now.fresh;
        now.baked = 0;
      }
      return send(now, everywhere(now));
    }
    case "judge":
      if (state)
        scope.postMessage({ kind: "judged", critique: critique(state.of, data.piece, data.practice) });
  }
};
