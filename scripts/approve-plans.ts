/**
 * Writes what is approved of whole plans anew: npm run approve [-- --jobs]
 *   --jobs  takes the demo's jobs and pours anew as well
 */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { parseArgs } from "node:util";
import type { GivenAmount } from "@/core/batch/given";
import { starterColours } from "@/core/colour/starter-colours";
import { starterCards } from "@/core/cure/starter-cards";
import type { JobDocument } from "@/core/job/job";
import { derivePlan } from "@/core/plan/derive-plan";
import type { PourEvent } from "@/core/pour/pour-events";
import { runSheet } from "@/core/pour/run-sheet";
import { approvedPlan, type ApprovedJobs } from "@/core/pour/testing/approved";
import { demoPour } from "../demo/pours";
import { demoJobs } from "../demo/shop";

const { values } = parseArgs({ options: { jobs: { type: "boolean", default: false } } });
const fileOf = (name: string) => join("src/core/pour/testing/approved", name);
const NOW = new Date("2026-05-14T15:18:00.000Z");
const ID = /[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}/g;

/** Ids by their order, so that the file is the same each time. */
function steady(text: string): string {
  const known = new Map<string, string>();
  return text.replace(ID, (id) => {
    const name = known.get(id) ?? `i${known.size + 1}`;
    known.set(id, name);
    return name;
  });
}

type Job = ApprovedJobs["jobs"][number];

/** A cold damp evening, a coarse scale, few cups, three people, what colours weigh where. */
function coldAndCoarse({ name, document }: Job): Job {
  const work = {
    ...document.work,
    people: 3,
    tempC: 12,
    humidityPct: 88,
    scaleStepG: 5,
    vesselsMl: [200, 750, 3000],
    startMin: 17 * 60,
    startOn: "2026-05-15",
  };
  const colourIds = document.coats.flatMap(({ colours }) => colours.map(({ id }) => id));
  const pieces = document.pieces.map((piece, index) => ({
    ...piece,
    count: piece.count + 1,
    weights: (["more", "none", "fade"] as const).flatMap((kind, n) => {
      const colourId = colourIds[(index + n) % Math.max(1, colourIds.length)];
      const place = {
        id: `w${index}${n}`,
        kind,
        xMm: 120 + 90 * n,
        yMm: 110,
        reachMm: 140,
        angleDeg: 30 * n,
      };
      return colourId === undefined ? [] : [{ ...place, colourId }];
    }),
  }));
  return { name: `${name}, cold and coarse`, document: { ...document, work, pieces }, events: [] };
}

/** A hot room, one person, amounts that are given, and all of it weighed out a little wrong, a third of its acts done. */
function hotAndGiven(
  { name, document }: Job,
  cards: ApprovedJobs["cards"],
  colours: ApprovedJobs["colours"],
): Job {
  const given: GivenAmount[] = [
    { by: "mixed", ml: 2600 },
    { by: "kits", kitMl: 1000, count: 3 },
    { by: "vessel", vesselMl: 750, count: 4 },
    { by: "coverage", ml: 946, areaMm2: 1.1e6 },
  ];
  const hot: JobDocument = {
    ...document,
    work: { ...document.work, people: 1, tempC: 31, humidityPct: 30, scaleStepG: 0.1 },
    coats: document.coats.map((coat, n) => ({ ...coat, given: given[n % given.length]! })),
  };
  const steps = runSheet(derivePlan(hot, cards, colours), "metric");
  const at = (n: number) => new Date(Date.UTC(2026, 4, 14, 9) + n * 200_000).toISOString();
  const events = steps.slice(0, Math.ceil(steps.length * 0.7)).flatMap((step, n): PourEvent[] => [
    ...step.weigh.map(({ line, grams }, k): PourEvent => ({
      id: `${n}.${k}`,
      at: at(n),
      kind: "weighed",
      stepId: step.id,
      line,
      grams: Number((grams * [1.04, 0.995, 1.002][k % 3]!).toFixed(1)),
    })),
    ...(n % 3 < 2 ? [{ id: `${n}`, at: at(n + 0.9), kind: "tick", stepId: step.id } as const] : []),
    ...(n === 4 ? [{ id: "room", at: at(n), kind: "room", tempC: 29, humidityPct: 35 } as const] : []),
    ...(n === 6
      ? [{ id: "skip", at: at(n), kind: "skip", stepId: step.id, why: "no alcohol left" } as const]
      : []),
  ]);
  return { name: `${name}, hot and given`, document: hot, events };
}

if (values.jobs) {
  const newId = () => crypto.randomUUID();
  const [cards, colours] = [starterCards(newId), starterColours(newId)];
  const demo = demoJobs(cards, colours).map(({ fields, document, pour }): Job => ({
    name: fields.name,
    document,
    events: pour ? demoPour(pour, document, cards, NOW).events : [],
  }));
  const jobs = [...demo, ...demo.map(coldAndCoarse), ...demo.map((job) => hotAndGiven(job, cards, colours))];
  writeFileSync(fileOf("jobs.json"), `${steady(JSON.stringify({ cards, colours, jobs }))}\n`);
}
const jobs = JSON.parse(readFileSync(fileOf("jobs.json"), "utf8")) as ApprovedJobs;
const plans = jobs.jobs.map((job) => approvedPlan(jobs, job));
writeFileSync(fileOf("plans.json"), `${JSON.stringify(plans, null, 1)}\n`);
