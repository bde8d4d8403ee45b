import { Clipper, FillRule } from "clipper2-ts";
import { differenceCiede2000 } from "culori";
import { Color, mix as spectralMix } from "spectral.js";
import { Bench } from "tinybench";
import { AROUND, runSlab, TOP_W_PER_M2K } from "@/core/cure/slab";
import { USUAL_HOURS } from "@/core/schedule/hours";
import { planShop } from "@/core/schedule/shop-days";
import { planDays } from "@/core/schedule/plan-days";
import type { Settings } from "@/core/schedule/coat-windows";
import { calibrate } from "@/core/cure/calibrate";
import { filmMap } from "@/core/inspect/film-map";
import { judgePhoto } from "@/core/inspect/photo/judge-photo";
import { mixedFrom } from "@/core/batch/coat-colour";
import { ciede2000 } from "@/core/colour/ciede2000";
import { opticsOf } from "@/core/colour/colour-card";
import { starterColours } from "@/core/colour/starter-colours";
import { together } from "@/core/colour/film-optics";
import { opaqueXyz } from "@/core/colour/opaque";
import { PIGMENTS } from "@/core/colour/pigments";
import { solveColour, type ShelfColour } from "@/core/colour/solve";
import { hexOfXyz, type Lab } from "@/core/colour/spaces";
import { colourPlan } from "@/core/plan/colour-plan";
import { takeOutline } from "@/core/drawing-files/drawing";
import { importedPiece } from "@/core/drawing-files/imported-piece";
import { readDxf } from "@/core/drawing-files/read-dxf";
import { readSvg } from "@/core/drawing-files/read-svg";
import { pulled } from "@/core/geometry/handles";
import { measurePiece } from "@/core/geometry/measure";
import { derivePlan } from "@/core/plan/derive-plan";
import { windowCoatsOf } from "@/core/plan/timed";
import { parseQuantity } from "@/core/units/parse-quantity";
import { cards, kitchen } from "./kitchen";
import { COMBED, GRID } from "./combed";
import { snapped } from "./snapped";
import { COAST, coastDxf, coastSvg } from "./coast";
import { zonedJob } from "./zoned";
import { paceNow, type Paced } from "./pace";

export { pictures } from "./pictures";

export const PLAN = "plan, 12 pieces × 8 coats, after one keystroke";
export const PLAN_GIVEN = "the same, a keystroke in what is mixed: the film follows";
export const PEER = "peer: JSON round trip of the same document";

export const DRAG = "an edge pulled by one frame, plan of 12 pieces with it";
export const DRAG_ZONE =
  "a point of one of 30 zones pulled by one frame, outline of 2 000 corners, plan with it";
export const IMPORT_SVG = "SVG outline of 20 000 corners: read, checked, measured";
export const IMPORT_DXF = "DXF outline of 20 000 corners: read, checked, measured";
export const IMPORT_PEER = "peer: clipper2 union of the same outline";

export const DIFFERENCE = "CIEDE2000";
export const DIFFERENCE_PEER = "peer: culori's CIEDE2000";
export const MIX = "three pigments to sRGB, 36 bands, two constants";
export const MIX_PEER = "peer: spectral.js, three colours to sRGB";
export const SOLVE = "recipe for a colour, 24 colourants, up to four";
export const LOOKS = "looks of a job's colours after a dose moved";

export const PLAN_DAY = "plan, after one keystroke that moves its coats, room by the day";
export const CALIBRATE = "calibrate one resin card";
export const CALIBRATE_DEPTH = "calibrate a casting card with a rated depth and three own tests";
export const SHOP = "days of a shop: six jobs of 8 coats, hands and places shared";
export const DAYS = "windows of 8 coats in a room that changes, 300 samples";
export const DRAG_START = "the same while a start is pulled, likely course";
export const DEEP = "one run of a deep pour";
export const FILM_MAP = "film map of 60 readings on 40 × 40 cells";
export const PHOTO = "a photo of 12 megapixels judged, with its veins";

/** Pairs of colours all over the space, the same every time. */
const PAIRS: [Lab, Lab][] = Array.from({ length: 500 }, (_, n) => [
  [((n * 37) % 100) + 0.31, ((n * 53) % 160) - 79.57, ((n * 71) % 160) - 80.23],
  [((n * 41) % 100) + 0.17, ((n * 59) % 160) - 79.91, ((n * 67) % 160) - 80.47],
]);
const CULORI_PAIRS = PAIRS.map(([first, second]) =>
  [first, second].map(([l, a, b]) => ({ mode: "lab65" as const, l, a, b })),
);
const culori = differenceCiede2000();
let made = 0;
const colours = starterColours(() => `colour-${(made += 1)}`);

/** 24 colourants: the sixteen pastes, and eight that are two of them together. */
const SHELF: ShelfColour[] = (() => {
  const pastes = Object.entries(PIGMENTS).map(([id, table]) => ({
    id,
    ...together([{ ...table, load: id === "white" ? 0.6 : 0.3 }]),
    mostPer100G: null,
  }));
  const more = Array.from({ length: 8 }, (_, index) => {
    const [a, b] = [pastes[index + 2], pastes[(index * 3 + 5) % 16]];
    if (!a || !b) throw new Error("No paste.");
    return {
      id: `pair-${index}`,
      ...together([
        { ...a, load: 0.5 },
        { ...b, load: 0.5 },
      ]),
      mostPer100G: null,
    };
  });
  return [...pastes, ...more];
})();
const TARGETS: Lab[] = [
  [90, 0.5, 6],
  [32, -1, -3],
  [62, -11, 12],
  [45, -22, -12],
  [65, 10, 52],
  [75, -8, -15],
  [28, 22, -12],
];

const READ = "read 25 1/2 in";

/** From the text of a file to the answer: area, or what is wrong with it. */
function imported(drawing: ReturnType<typeof readSvg>): number {
  const taken = drawing.ok ? takeOutline(drawing.paths, drawing.mmPerUnit ?? 1) : null;
  const read = taken?.ok ? importedPiece(taken, "Coast", () => "id") : null;
  const result = read?.ok ? measurePiece(read.piece) : null;
  if (!result?.ok) throw new Error("The outline is not read.");
  return result.measured.topAreaMm2;
}

/** A browser's clock ticks in tenths of a millisecond: what is shorter is done several times a sample. */
const REPEATS: { [name: string]: number } & Record<
  typeof PEER | typeof READ | typeof DIFFERENCE | typeof DIFFERENCE_PEER | typeof MIX | typeof MIX_PEER,
  number
> = {
  [PEER]: 20,
  [READ]: 2000,
  [DIFFERENCE]: 100,
  [DIFFERENCE_PEER]: 100,
  [MIX]: 10_000,
  [MIX_PEER]: 10_000,
};

const SPECTRAL = ["#F2F2EE", "#002350", "#B8860B"].map((hex) => new Color(hex)) as [Color, Color, Color];
/** What is computed is used, or the engine would leave it out. */
export let kept = 0;
let turn = 0;

/** The kitchen's coats with each colour mixed of three colourants, one of them moved a little. */
const mixedCoats = (factor: number) =>
  kitchen.coats.map((coat) => ({
    ...coat,
    colours: coat.colours.map((colour, index) =>
      mixedFrom(
        colour,
        [0, 1, 2].flatMap((part) => {
          const card = colours[(index * 3 + part) % 20];
          return card && opticsOf(card)
            ? [{ cardId: card.id, name: card.name, gPer100G: (part + 1) * factor, measure: card.measure }]
            : [];
        }),
      ),
    ),
  }));

/** Median milliseconds of each task, with the pace of the machine about it. Runs in the browser. */
export async function medians(): Promise<[string, Paced][]> {
  const asked = snapped();
  const mixed = { ...kitchen, coats: mixedCoats(1) };
  derivePlan(mixed, cards, colours);
  const windowCoats = windowCoatsOf(derivePlan(kitchen, cards));
  const dayRoom: Settings = {
    room: { kind: "day", coldC: 15, coldAtMin: 300, warmC: 25, warmAtMin: 900 },
    hours: USUAL_HOURS,
    people: 1,
    nowMin: null,
  };
  const deep = cards.find(({ kind }) => kind === "casting");
  if (windowCoats.length !== 8 || !deep)
    throw new Error("The kitchen has not its eight coats, or the shop no casting.");
  const casting = calibrate(deep).parameters;
  let start = 540;
  let rate = 5;
  const paces = new Map<string, number[]>();
  const notePace = (task?: { name: string }) => {
    const name = task?.name ?? "";
    paces.set(name, [...(paces.get(name) ?? []), paceNow()]);
  };
  const bench = new Bench({ time: 1500, warmupTime: 300, setup: notePace, teardown: notePace });
  let film = 1;
  bench
    .add(PLAN, () => {
      film = film > 1.2 ? 1 : film + 0.001;
      derivePlan(
        {
          ...mixed,
          coats: mixed.coats.map((coat, index) => (index === 3 ? { ...coat, filmMm: film } : coat)),
        },
        cards,
        colours,
      );
    })
    .add(PLAN_GIVEN, () => {
      film = film > 1.2 ? 1 : film + 0.001;
      derivePlan(
        {
          ...mixed,
          coats: mixed.coats.map((coat, index) =>
            index === 3 ? { ...coat, given: { by: "mixed", ml: 9000 * film } } : coat,
          ),
        },
        cards,
        colours,
      );
    })
    .add(DRAG, () => {
      film = film > 1.2 ? 1 : film + 0.001;
      const [first, ...others] = kitchen.pieces;
      if (!first) throw new Error("No piece.");
      const by = { x: film * 100, y: 0 };
      derivePlan(
        {
          ...mixed,
          pieces: [pulled(first, { kind: "side", name: "right" }, by, { stepMm: 5 }), ...others],
        },
        cards,
        colours,
      );
    })
    .add(DRAG_ZONE, () => {
      film = film > 1.2 ? 1 : film + 0.001;
      derivePlan(zonedJob(film * 20), cards, colours);
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
    .add(DIFFERENCE, () => {
      for (let time = 0; time < REPEATS[DIFFERENCE]; time += 1)
        for (const [a, b] of PAIRS) kept += ciede2000(a, b);
    })
    .add(DIFFERENCE_PEER, () => {
      for (let time = 0; time < REPEATS[DIFFERENCE_PEER]; time += 1)
        for (const [a, b] of CULORI_PAIRS) if (a && b) kept += culori(a, b);
    })
    .add(MIX, () => {
      for (let time = 0; time < REPEATS[MIX]; time += 1) {
        const { white, phblue, oxyel } = PIGMENTS;
        const xyz = opaqueXyz([
          { K: white.K, S: white.S, load: 1 },
          { K: phblue.K, S: phblue.S, load: 0.1 },
          { K: oxyel.K, S: oxyel.S, load: 0.2 + time * 1e-6 },
        ]);
        kept += hexOfXyz(xyz).length;
      }
    })
    .add(MIX_PEER, () => {
      for (let time = 0; time < REPEATS[MIX_PEER]; time += 1)
        kept += spectralMix([SPECTRAL[0], 1], [SPECTRAL[1], 0.1], [SPECTRAL[2], 0.2 + time * 1e-6]).toString()
          .length;
    })
    .add(SOLVE, () => {
      turn += 1;
      solveColour({
        target: TARGETS[turn % TARGETS.length] as Lab,
        shelf: SHELF,
        batchG: 1000,
        stepG: 0.1,
        load: { least: 2, most: 6 },
        most: 4,
      });
    })
    .add(LOOKS, () => {
      film = film > 1.2 ? 1 : film + 0.001;
      colourPlan({ ground: "mdf", coats: mixedCoats(film) }, colours);
    })
    .add(PEER, () => {
      for (let time = 0; time < REPEATS[PEER]; time += 1) JSON.parse(JSON.stringify(kitchen));
    })
    .add(DAYS, () => {
      start = start > 900 ? 540 : start + 1;
      planDays(windowCoats, start, dayRoom);
    })
    .add(DRAG_START, () => {
      start = start > 900 ? 540 : start + 1;
      planDays(windowCoats, start, { ...dayRoom, quick: true });
    })
    .add(DEEP, () => {
      runSlab(
        {
          depthMm: 40,
          mixedC: 21,
          roomC: 21,
          bottomWPerM2K: AROUND.wood,
          topWPerM2K: TOP_W_PER_M2K.still,
        },
        casting,
        36 * 3600,
      );
    })
    .add(PHOTO, () => {
      judgePhoto(asked);
    })
    .add(FILM_MAP, () => {
      filmMap({
        cells: GRID,
        meanUm: 900,
        readings: COMBED,
        volume: { ml: 1440, sdMl: 72 },
        minUm: 765,
        stepUm: 50,
      });
    })
    .add(PLAN_DAY, () => {
      rate = rate > 9 ? 5 : rate + 0.01;
      derivePlan(
        {
          ...mixed,
          work: { ...mixed.work, room: dayRoom.room },
          coats: mixed.coats.map((coat, index) => (index === 3 ? { ...coat, rateM2PerH: rate } : coat)),
        },
        cards,
        colours,
      );
    })
    .add(SHOP, () => {
      start = start > 900 ? 540 : start + 1;
      planShop(
        Array.from({ length: 6 }, (_, index) => ({
          id: `job ${index}`,
          jobId: `job ${index}`,
          name: `Job ${index}`,
          stage: "planned" as const,
          coats: windowCoats,
          startMin: start + index * 45,
          settings: dayRoom,
          space: { benchMm: 2000, spindles: 0 },
        })),
        { hands: 2, benchMm: 6000, spindles: 12 },
      );
    })
    .add(CALIBRATE_DEPTH, () => {
      calibrate({
        ...deep,
        thickestFilmMm: 50,
        benchTests: [
          { kind: "cup", minutes: 420, tempC: 22, massG: 500 },
          { kind: "string", minutes: 1300, tempC: 23, massG: null },
          { kind: "gummy", minutes: 900, tempC: 23, massG: null },
        ],
      });
    })
    .add(CALIBRATE, () => {
      calibrate({ ...(cards[0] as (typeof cards)[number]) });
    })
    .add(READ, () => {
      for (let time = 0; time < REPEATS[READ]; time += 1) parseQuantity("25 1/2 in", "length", "us");
    });
  await bench.run();
  // A task that throws is no fast task.
  for (const task of bench.tasks)
    if (task.result && "error" in task.result) throw new Error(`${task.name}: ${String(task.result.error)}`);
  return bench.tasks.map((task) => {
    const noted = paces.get(task.name) ?? [];
    return [
      task.name,
      {
        ms:
          task.result && "latency" in task.result ? task.result.latency.p50 / (REPEATS[task.name] ?? 1) : NaN,
        pace: noted.reduce((sum, pace) => sum + pace, 0) / noted.length,
      },
    ];
  });
}
