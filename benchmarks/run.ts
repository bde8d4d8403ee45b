import { build } from "esbuild";
import { chromium } from "@playwright/test";
import { CHROMIUM } from "../scripts/chromium";
import { atCalmPace, type Paced } from "./pace";
import type { PictureTimes } from "./pictures";
import {
  CALIBRATE,
  CALIBRATE_DEPTH,
  DAYS,
  DEEP,
  DRAG_START,
  DIFFERENCE,
  DIFFERENCE_PEER,
  DRAG,
  DRAG_ZONE,
  FILM_MAP,
  PHOTO,
  IMPORT_DXF,
  IMPORT_PEER,
  IMPORT_SVG,
  LOOKS,
  MIX,
  MIX_PEER,
  PEER,
  PLAN,
  PLAN_DAY,
  PLAN_GIVEN,
  SHOP,
  SOLVE,
} from "./tasks";

/**
 * What no median may reach at the pace of a calm laptop (`pace.ts`), ms: half a frame of 60 a second is left for drawing. The machines that run this are
 * shared: the same task takes twice as long from one run to the next, and so does a loop of multiplications beside it.
 */
const BARS: [string, number][] = [
  [PLAN, 4],
  [PLAN_GIVEN, 4],
  [DRAG, 8],
  [DRAG_ZONE, 16],
  [IMPORT_SVG, 200],
  [IMPORT_DXF, 200],
  [SOLVE, 50],
  [LOOKS, 16],
  [PLAN_DAY, 50],
  [SHOP, 500],
  [CALIBRATE, 300],
  [CALIBRATE_DEPTH, 300],
  [DAYS, 150],
  [DRAG_START, 16],
  [DEEP, 500],
  [FILM_MAP, 50],
  [PHOTO, 2000],
];

/** What pictures may take on two workers, ms: the first one, at 800 and at 1600 px, a late pass changed, four sisters, one part of a pull (60 frames a second). */
const PICTURE_BARS = { first: 60, middle: 150, sharp: 500, late: 60, sisters: 300, pull: 16 } as const;
/** How many times as fast as the definition the kernel works samples out, over all looks. */
const KERNEL_BAR = 5;

/** Prints whether a bar is kept, at the pace of a calm laptop; and whether it is. */
function tellBar(name: string, took: Paced, bar: number): boolean {
  const kept = atCalmPace(took) < bar;
  const calm = took.pace > 1.005 ? `, ${atCalmPace(took).toFixed(1)} ms at a calm pace` : "";
  console.log(
    `${name}: ${took.ms.toFixed(1)} ms at a pace of ${took.pace.toFixed(2)}${calm}; bar ${bar} ms, ${kept ? "kept" : "MISSED"}`,
  );
  return kept;
}

const slowest = (all: readonly Paced[]): Paced =>
  all.reduce((slow, one) => (atCalmPace(one) > atCalmPace(slow) ? one : slow));

/** Prints what pictures take; whether all bars are kept. */
function tellPictures({
  looks,
  kernel,
  plainNs,
  skippingNs,
  closeNs,
  late,
  sisters,
  pull,
}: PictureTimes): boolean {
  console.log("\nPictures, each of two workers drawing half:");
  console.log(
    "  look, operations, first picture at 400 px with compiling, 800 px, 1600 px; and the machine's pace",
  );
  for (const { look, ops, first, middle, sharp } of looks)
    console.log(
      `  ${look.padEnd(16)} ${String(ops).padStart(4)}  ${first.ms.toFixed(0).padStart(5)} ms  ${middle.ms.toFixed(0).padStart(6)} ms  ${sharp.ms.toFixed(0).padStart(6)} ms  ${first.pace.toFixed(2)} ${sharp.pace.toFixed(2)}`,
    );
  const faster = (ns: number) => `${ns.toFixed(1)} ns, ${(plainNs / ns).toFixed(2)} times as fast`;
  console.log(
    `A sample and operation takes ${plainNs.toFixed(1)} ns in the plain evaluation of all; passing over what does not reach, ${faster(skippingNs)}; closely only where samples are unlike, ${faster(closeNs)}.`,
  );
  const whole = (of: "each" | "close", by: 0 | 1) => kernel.reduce((sum, look) => sum + look[of][by], 0);
  const times = (of: "each" | "close") => whole(of, 0) / whole(of, 1);
  console.log(
    `All looks at 800 px, each sample: ${whole("each", 0).toFixed(0)} ms by the definition, ${whole("each", 1).toFixed(0)} ms by the kernel, ${times("each").toFixed(1)} times as fast, bar ${KERNEL_BAR}, ${times("each") >= KERNEL_BAR ? "kept" : "MISSED"}; drawn closely ${times("close").toFixed(1)} times.`,
  );
  return [
    times("each") >= KERNEL_BAR,
    tellBar("first picture, slowest look", slowest(looks.map(({ first }) => first)), PICTURE_BARS.first),
    tellBar("800 px, slowest look", slowest(looks.map(({ middle }) => middle)), PICTURE_BARS.middle),
    tellBar("1600 px, slowest look", slowest(looks.map(({ sharp }) => sharp)), PICTURE_BARS.sharp),
    tellBar("a late pass changed, 800 px", late, PICTURE_BARS.late),
    tellBar("four sisters and their spread", sisters, PICTURE_BARS.sisters),
    tellBar("a part of a practised pull, 1200 px", pull, PICTURE_BARS.pull),
  ].every(Boolean);
}

/** How many times the peer's rate each has to have. */
const RATES: [string, string, number][] = [
  [DIFFERENCE, DIFFERENCE_PEER, 2.5],
  [MIX, MIX_PEER, 3],
];

/** Runs the tasks in headless Chromium, where the plan is recomputed for real, and prints medians and the ratio to the peer. */
async function run(): Promise<void> {
  const bundle = await build({
    entryPoints: ["benchmarks/tasks.ts"],
    bundle: true,
    write: false,
    format: "iife",
    globalName: "bench",
    target: "es2022",
    minify: true,
    tsconfig: "tsconfig.json",
  });
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage();
  await page.addScriptTag({ content: bundle.outputFiles[0]?.text ?? "" });
  const medians = (await page.evaluate("bench.medians()")) as [string, Paced][];
  const picturesTaken = (await page.evaluate("bench.pictures()")) as PictureTimes;
  await browser.close();
  for (const [name, { ms, pace }] of medians)
    console.log(`${name.padEnd(58)} ${ms.toFixed(4)} ms median, pace ${pace.toFixed(2)}`);
  const taken = (name: string) => medians.find(([one]) => one === name)?.[1] ?? { ms: NaN, pace: 1 };
  const of = (name: string) => taken(name).ms;
  const times = (name: string, peer: string) => (of(name) / of(peer)).toFixed(2);
  console.log(`\nThe plan takes ${times(PLAN, PEER)} times a JSON round trip of its document.`);
  console.log(
    `An SVG import takes ${times(IMPORT_SVG, IMPORT_PEER)} times, a DXF import ${times(IMPORT_DXF, IMPORT_PEER)} times the union of its outline by clipper2.`,
  );
  const barsKept = BARS.map(([name, bar]) => tellBar(name, taken(name), bar)).every(Boolean);
  for (const [name, peer, bar] of RATES)
    console.log(
      `${name}: ${(of(peer) / of(name)).toFixed(1)} times the rate of its peer, bar ${bar}, ${of(peer) / of(name) >= bar ? "kept" : "MISSED"}`,
    );
  const kept =
    tellPictures(picturesTaken) && barsKept && RATES.every(([name, peer, bar]) => of(peer) / of(name) >= bar);
  process.exitCode = kept ? 0 : 1;
}

void run();
