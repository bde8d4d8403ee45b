import { Bench } from "tinybench";
import { calibrate } from "@/core/cure/calibrate";
import { derivePlan } from "@/core/plan/derive-plan";
import { parseQuantity } from "@/core/units/parse-quantity";
import { cards, kitchen } from "./kitchen";

export const PLAN = "plan, 12 pieces × 8 coats, after one keystroke";
export const PEER = "peer: JSON round trip of the same document";

const READ = "read 25 1/2 in";

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
  return bench.tasks.map((task) => [
    task.name,
    task.result && "latency" in task.result ? task.result.latency.p50 / (REPEATS[task.name] ?? 1) : NaN,
  ]);
}
