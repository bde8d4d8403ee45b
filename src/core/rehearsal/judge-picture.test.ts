import { saidIn } from "../units/said";
import { usualPass, type Pass } from "../schedule/pass";
import { DIFFERENCE_BASIS, differenceFinished, wantedOf } from "../plan/colour-plan";
import { derivePlan } from "../plan/derive-plan";
import type { JobDocument } from "../job/job";
import {
  blendedByRound,
  judgePicture,
  measurePicture,
  roundsFinding,
  type PictureMeasures,
} from "./judge-picture";
import { rehearsalOf } from "./rehearse";
import { mudWords } from "./words";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";

let counter = 0;
const newId = () => `id-${++counter}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const rehearsed = (document: JobDocument) => {
  const plan = derivePlan(document, cards);
  return rehearsalOf(plan, document, plan.pieces[0]!)!;
};
const of = rehearsed(job);
const measures = measurePicture(of, of.passes.length, 200);
const at = (name: string) => of.palette.findIndex((colour) => colour.name === name && colour.poured > 0);

test("what is on top sums to one; thirds and sides agree with each other", () => {
  expect(measures.onTop.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 2);
  measures.thirds.forEach((parts, colour) => {
    const mean = parts.reduce((sum, share) => sum + share, 0) / 3;
    expect(Math.abs(mean - measures.onTop[colour]!)).toBeLessThan(0.01);
  });
  expect(measures.whole[0]).toBeGreaterThan(20);
  expect(measures.film.meanMm).toBeGreaterThan(0);
});

const judged = (changes: Partial<PictureMeasures>, target?: Parameters<typeof judgePicture>[2]) =>
  judgePicture(of, { ...measures, ...changes }, target);

test("a colour that took over, one that is swallowed and a third without any are named in the trade's words", () => {
  const black = at("Ink black");
  const white = at("Bone white");
  const onTop = measures.onTop.map((share, colour) =>
    colour === black ? 0.31 : colour === white ? 0.05 : share,
  );
  const words = judged({ onTop }).map(({ what }) => what);
  expect(words).toContain("Ink black ends at 31 % on top of 9 % poured.");
  expect(words.some((what) => /^Bone white ends at 5 % of \d+ % poured: it is swallowed\.$/.test(what))).toBe(
    true,
  );
  const pewter = at("Pewter");
  const thirds = measures.thirds.map((parts, colour): [number, number, number] =>
    colour === pewter ? [0, 0.4, 0.4] : parts,
  );
  const third = judged({
    thirds,
    onTop: measures.onTop.map((share, n) => (n === pewter ? 0.27 : share)),
  }).find(({ id }) => id === `none-${pewter}`)!;
  expect(third.what).toBe("The left third has no Pewter.");
  expect(third.place!.x).toBeLessThan(of.rehearsal.topMm.wide / 3);
});

test("mud, rhythm, thin places and floods are told from what must change down", () => {
  const findings = judged({
    mud: 5,
    regular: 4,
    film: { ...measures.film, places: [{ x: 100, y: 200, mm: 0.4 }] },
  });
  expect(findings[0]!.grade).toBe("change");
  expect(findings.map(({ id }) => id)).toEqual(expect.arrayContaining(["mud", "regular", "thin-0"]));
  expect(findings.find(({ id }) => id === "thin-0")!.place).toEqual({ x: 100, y: 200 });
  const flooded = rehearsed({
    ...job,
    coats: job.coats.map((coat) => ({
      ...coat,
      passes: coat.passes.map((pass) => (pass.kind === "alcohol" ? { ...pass, mlPerM2: 60 } : pass)),
    })),
  });
  expect(judgePicture(flooded, measures, undefined).some(({ what }) => what.includes("it floods"))).toBe(
    true,
  );
  expect(["clear", "a little muddy"]).toContain(mudWords(0.5));
});

test("the thinnest place and what goes over the edge are told with how far sisters lie apart, once they are measured", () => {
  const { wide, high } = of.rehearsal.topMm;
  // A millimetre over the whole top; a twentieth as much over its edge.
  const board = (wide * high) / 1000;
  const film = {
    ...measures.film,
    meanMm: 1,
    lostMl: board / 20,
    places: [
      { x: 100, y: 100, mm: 0.41 },
      { x: 400, y: 100, mm: 0.55 },
    ],
  };
  const spread = {
    thinnestMm: { low: 0.32, likely: 0.41, high: 0.52 },
    lostMl: { low: 10, likely: board / 20, high: board / 10 },
  };
  const told = (known: typeof spread | null) =>
    judgePicture(of, { ...measures, film }, undefined, known).map(({ what }) => saidIn(what, "metric"));
  expect(told(spread)).toContain("Thin: 0.41 mm of film left (sisters 0.32 mm to 0.52 mm).");
  expect(told(spread)).toContain("Thin: 0.55 mm of film left.");
  const lost = told(spread).find((what) => what.includes("over the edge"))!;
  expect(lost).toContain(`(sisters 10 ml to ${Math.round(board / 10)} ml)`);
  // 1/20 of what stays is 1/21 of what was poured.
  expect(lost).toMatch(/, 5 % of the film\.$/);
  expect(told(null)).toContain("Thin: 0.41 mm of film left.");
  const little = judgePicture(of, { ...measures, film: { ...film, lostMl: board / 200 } }, undefined);
  expect(little.some(({ id }) => id === "lost")).toBe(false);
});

test("the whole is told against the target, lighter or darker", () => {
  const [L, a, b] = measures.whole;
  const off = judged({}, { lab: [L + 20, a, b], name: "the tile" }).find(({ id }) => id === "target")!;
  expect(off.what).toMatch(/ΔE \d+\.\d from the tile/);
  expect(off.soWhat).toContain("darker");
  expect(judged({}, { lab: measures.whole, name: "" }).find(({ id }) => id === "target")!.what).toContain(
    "ΔE 0.0",
  );
});

test("by round: more rounds melt more together (common practice, no source); too many are named", () => {
  const pass = of.rehearsal.coats.flatMap(({ passes }) => passes).find(({ kind }) => kind === "palm")!;
  const byRound = blendedByRound(of, pass.id);
  expect(byRound.length).toBe(5);
  expect(byRound.at(-1)!).toBeGreaterThan(byRound[0]!);
  expect(roundsFinding([0.05, 0.1, 0.16, 0.22, 0.3], 4)).toMatchObject({
    what: "Grey grows by 6 % of the top per round: stop after two.",
  });
  expect(roundsFinding([0.05, 0.06, 0.06, 0.07, 0.08], 4)).toBeNull();
  expect(roundsFinding([0.05, 0.1, 0.16, 0.22, 0.3], 2)).toBeNull();
});

test("what is poured last and not worked after lies on top in lines as thin as they are: nothing swallows it", () => {
  const drizzled = rehearsed({
    ...job,
    coats: job.coats.map((coat) =>
      coat.kind === "colour"
        ? { ...coat, passes: [usualPass("l", "lay"), usualPass("p", "palm"), usualPass("d", "drizzle")] }
        : coat,
    ),
  });
  const measures = measurePicture(drizzled, drizzled.passes.length, 160);
  expect(measures.laidLast.length).toBeGreaterThan(0);
  const onTop = measures.onTop.map((share, colour) => (measures.laidLast.includes(colour) ? 0.01 : share));
  const said = judgePicture(drizzled, { ...measures, onTop }, undefined).map(({ id }) => id);
  for (const colour of measures.laidLast) expect(said).not.toContain(`swallowed-${colour}`);
  // Worked after, it may be swallowed.
  const worked = measurePicture(of, of.passes.length, 160);
  expect(worked.laidLast).toEqual([]);
});

test("veins, mist and drops on a stone that was hardly worked are no mud: only what was poured and worked together", () => {
  const white = (passes: Pass[]) =>
    rehearsed({
      ...job,
      coats: job.coats.map((coat) => (coat.kind === "colour" ? { ...coat, passes } : coat)),
    });
  const poured = [usualPass("l", "lay"), usualPass("p", "palm")];
  const drawn = [...poured, usualPass("a", "alcohol"), usualPass("v", "veins"), usualPass("c", "accents")];
  const mudOf = (passes: Pass[]) => measurePicture(white(passes), passes.length, 200).mud;
  expect(mudOf(drawn)).toBeCloseTo(mudOf(poured), 9);
});

test("mud asks for a round less only where something is worked", () => {
  const muddy = (passes: Pass[]) =>
    judgePicture(
      rehearsed({
        ...job,
        coats: job.coats.map((coat) => (coat.kind === "colour" ? { ...coat, passes } : coat)),
      }),
      { ...measures, mud: 2 },
      undefined,
    ).find(({ id }) => id === "mud")!.soWhat;
  expect(muddy([usualPass("l", "lay"), usualPass("p", "palm")])).toMatch(/round less/);
  expect(muddy([usualPass("l", "lay")])).not.toMatch(/round/);
});

test("the difference from a target is one number in every view, with its basis; the sister's own is named beside it", () => {
  const plan = derivePlan(job, cards);
  const target = { lab: [60, 2, 8] as const, name: "Tile" };
  const spread = differenceFinished(plan.looks, target.lab)!;
  const [told] = judged({}, wantedOf(plan.looks, target)).filter(({ id }) => id === "target");
  expect(told!.what).toContain(`ΔE ${spread.likely.toFixed(1)} from Tile, ${DIFFERENCE_BASIS}; this sister`);
  expect(spread.low).toBeLessThanOrEqual(spread.likely);
  expect(spread.high).toBeGreaterThanOrEqual(spread.likely);
});
