import { Clipper, FillRule } from "clipper2-ts";
import { Bench } from "tinybench";
import { calibrate } from "@/core/cure/calibrate";
import { takeOutline } from "@/core/drawing-files/drawing";
import { importedPiece } from "@/core/drawing-files/imported-piece";
import { readDxf } from "@/core/drawing-files/read-dxf";
import { readSvg } from "@/core/drawing-files/read-svg";
import { pulled } from "@/core/geometry/handles";
import { measurePiece } from "@/core/geometry/measure";
import { derivePlan } from "@/core/plan/derive-plan";
import { parseQuantity } from "@/core/units/parse-quantity";
import { cards, kitchen } from "./kitchen";
import { COAST, coastDxf, coastSvg } from "./coast";

export const PLAN = "plan, 12 pieces × 8 coats, after one keystroke";
export const PEER = "peer: JSON round trip of the same document";

export const DRAG = "an edge pulled by one frame, plan of 12 pieces with it";
export const IMPORT_SVG = "SVG outline of 20 000 corners: read, checked, measured";
export const IMPORT_DXF = "DXF outline of 20 000 corners: read, checked, measured";
export const IMPORT_PEER = "peer: clipper2 union of the same outline";

const READ = "read 25 1/2 in";

/** From the text of a file to the answer: area, or what is wrong with it. */
function imported(drawing: ReturnType<typeof readSvg>): number {
  const taken = drawing.ok ? takeOutline(drawing.paths, drawing.mmPerUnit ?? 1) : null;
  const piece = taken?.ok ? importedPiece(taken, "Coast", () => "id") : null;
  const result = piece && measurePiece(piece);
  if (!result?.ok) throw new Error("The outline is not read.");
  return result.measured.topAreaMm2;
}

/** A browser's clock ticks in tenths of a millisecond: what is shorter is done several times a sample. */
const REPEATS: { [name: string]: number } & Record<typeof PEER | typeof READ, number> = {
  [PEER]: 20,
  [READ]: 2000,
};

/** Median milliseconds of each task. Runs in the browser. */
export async function medians(): Promise<[string, number][]> {
  derivePlan(kitchen, cards);
  const bench = new Bench({ time: 1500, warmupTime: 300 });
  let film = 1;
  bench
    .add(PLAN, () => {
      film = film > 1.2 ? 1 : film + 0.001;
      derivePlan(
        {
          ...kitchen,
          coats: kitchen.coats.map((coat, index) => (index === 3 ? { ...coat, filmMm: film } : coat)),
        },
        cards,
      );
    })
    .add(DRAG, () => {
      film = film > 1.2 ? 1 : film + 0.001;
      const [first, ...others] = kitchen.pieces;
      if (!first) throw new Error("No piece.");
      const by = { x: film * 100, y: 0 };
      derivePlan(
        {
          ...kitchen,
          pieces: [pulled(first, { kind: "side", name: "right" }, by, { stepMm: 5 }), ...others],
        },
        cards,
      );
    })
    .add(IMPORT_SVG, () => {
      imported(readSvg(coastSvg, 0.1));
    })
    .add(IMPORT_DXF, () => {
      imported(readDxf(coastDxf, 0.1));
    })
    .add(IMPORT_PEER, () => {
      Clipper.union(
        [COAST.map(([x, y]) => ({ x: Math.round(x * 1000), y: Math.round(y * 1000) }))],
        FillRule.EvenOdd,
      );
    })
    .add(PEER, () => {
      for (let time = 0; time < REPEATS[PEER]; time += 1) JSON.parse(JSON.stringify(kitchen));
    })
    .add("calibrate one resin card", () => {
      calibrate({ ...(cards[0] as (typeof cards)[number]) });
    })
    .add(READ, () => {
      for (let time = 0; time < REPEATS[READ]; time += 1) parseQuantity("25 1/2 in", "length", "us");
    });
  await bench.run();
  // A task that throws is no fast task.
  for (const task of bench.tasks)
    if (task.result && "error" in task.result) throw new Error(`${task.name}: ${String(task.result.error)}`);
  return bench.tasks.map((task) => [
    task.name,
    task.result && "latency" in task.result ? task.result.latency.p50 / (REPEATS[task.name] ?? 1) : NaN,
  ]);
}
