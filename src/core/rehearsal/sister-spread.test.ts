import { derivePlan } from "../plan/derive-plan";
import { measurePicture, type PictureMeasures } from "./judge-picture";
import { rehearsalOf } from "./rehearse";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";
import { SISTER_PX, SISTERS, sistersOf, sisterSpread } from "./sister-spread";

let counter = 0;
const newId = () => `id-${++counter}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const plan = derivePlan(job, cards);
const of = rehearsalOf(plan, job, plan.pieces[0]!)!;
const passes = of.passes.length;
const measured = (rehearsal: typeof of.rehearsal) =>
  measurePicture({ rehearsal, palette: of.palette }, passes, SISTER_PX);

test("sisters are as many others as are asked for, and all unlike", () => {
  const seeds = [of.rehearsal, ...sistersOf(of.rehearsal)].map(({ seed }) => seed);
  expect(new Set(seeds).size).toBe(SISTERS + 1);
  for (const { seed } of sistersOf({ ...of.rehearsal, seed: 9999 })) {
    expect(seed).toBeGreaterThanOrEqual(1);
    expect(seed).toBeLessThanOrEqual(9999);
  }
});

test("each sister lies within the spread of the picture, the picture too, and shares stay shares", () => {
  const measures = measured(of.rehearsal);
  const sisters = sistersOf(of.rehearsal).map(measured);
  const { onTop, mud, apart, thinnestMm, lostMl } = sisterSpread(measures, measures, sisters);
  onTop.forEach(({ low, likely, high }, colour) => {
    expect(likely).toBe(measures.onTop[colour]);
    for (const shown of [measures, ...sisters]) {
      expect(shown.onTop[colour]!).toBeGreaterThanOrEqual(low - 1e-12);
      expect(shown.onTop[colour]!).toBeLessThanOrEqual(high + 1e-12);
    }
    expect(low).toBeGreaterThanOrEqual(0);
    expect(high).toBeLessThanOrEqual(1);
  });
  // The whole is shared out among the colours: what one may have more, others have less.
  expect(onTop.reduce((sum, { low }) => sum + low, 0)).toBeLessThanOrEqual(1);
  expect(onTop.reduce((sum, { high }) => sum + high, 0)).toBeGreaterThanOrEqual(1);
  expect(mud.high).toBeGreaterThanOrEqual(mud.low);
  expect(apart.low).toBeLessThanOrEqual(measures.apart);
  for (const { film } of [measures, ...sisters]) {
    expect(film.thinnestMm).toBeGreaterThanOrEqual(thinnestMm.low - 1e-12);
    expect(film.thinnestMm).toBeLessThanOrEqual(thinnestMm.high + 1e-12);
    expect(film.lostMl).toBeGreaterThanOrEqual(lostMl.low - 1e-9);
    expect(film.lostMl).toBeLessThanOrEqual(lostMl.high + 1e-9);
  }
});

test("what sisters differ by on small pictures is told about the number of the large one", () => {
  const base = measured(of.rehearsal);
  const small = (mud: number): PictureMeasures => ({ ...base, mud });
  expect(sisterSpread(small(2), small(1), [small(0.6), small(1.5)]).mud).toEqual({
    low: 1.6,
    likely: 2,
    high: 2.5,
  });
  expect(sisterSpread(small(0.2), small(1), [small(0.1)]).mud.low).toBe(0);
});
