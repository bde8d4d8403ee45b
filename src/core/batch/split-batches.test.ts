import { fittedResin } from "../cure/fitted-resin";
import { starterCards } from "../cure/starter-cards";
import { exactly } from "../numerics/spread";
import type { CoatNeed } from "./coat-need";
import type { CoatRequest } from "./coat-request";
import { mixDensityGPerMl } from "./parts";
import { FULLEST } from "./vessel";
import { massTogetherG, mixingMinutes, MOST_BATCHES, potLifeSpread, splitBatches } from "./split-batches";
import { requestOf } from "./testing/requests";

const cards = starterCards(() => "card");
const [coating, , , paint] = cards.map(fittedResin);
const divided = { coloursMl: [3000, 1000], clearMl: 0, held: [], sumMl: 4000 };
const need = (workMin: number): CoatNeed => ({
  onTopMl: exactly(4000),
  onFacesMl: exactly(0),
  neededMl: 4000,
  topAreaMm2: 4e6,
  faceAreaMm2: 0,
  fills: false,
  embeds: [],
  sunkMl: 0,
  displacedMl: 0,
  embedsMl: exactly(0),
  workMin: exactly(workMin),
  filmTimes: 1,
  coverable: [
    { id: "p", zoneId: null, name: "Top", count: 1, alongMm: (share) => share * 4000, needMl: 4000 },
  ],
});
const request = (changes: Partial<CoatRequest> = {}) =>
  requestOf({ ...coating!, largestMixG: null }, { pieces: [], ...changes });
const NONE = { batches: 1, limit: null };
const split = (changes: Partial<CoatRequest> = {}, workMin = 1) =>
  splitBatches(NONE, divided, need(workMin), request(changes));

test("a cup is stirred three minutes, a pail four, a bucket five (common practice, no source)", () => {
  expect([999, 1000, 4999, 5000].map(mixingMinutes)).toEqual([3, 4, 4, 5]);
});

test("a pot's life has a quarter of doubt, half where the card says nothing of pots; a hybrid's doubles downwards", () => {
  const relative = (resin: Parameters<typeof potLifeSpread>[2]) => {
    const { low, likely, high } = potLifeSpread(500, 21, resin);
    return [1 - low / likely, high / likely - 1];
  };
  const silent = fittedResin({ ...coating!, potLifeMin: null });
  for (const [resin, below, above] of [
    [coating!, 0.25, 0.25],
    [silent, 0.5, 0.5],
    [{ ...coating!, kind: "hybrid" as const }, 0.5, 0.25],
    [{ ...silent, kind: "hybrid" as const }, 0.7, 0.5],
  ] as const) {
    const [down, up] = relative(resin);
    expect(down).toBeCloseTo(below, 9);
    expect(up).toBeCloseTo(above, 9);
  }
});

test("what lives together is the whole mix, or the largest cup where each is mixed by itself", () => {
  const density = mixDensityGPerMl(coating!);
  expect(massTogetherG(divided, 0.5, request())).toBeCloseTo(0.5 * 4000 * density, 6);
  expect(massTogetherG(divided, 0.5, request({ school: "colour-into-a" }))).toBeCloseTo(
    0.5 * 3000 * density,
    6,
  );
  const held = { ...divided, clearMl: 3500 };
  expect(massTogetherG(held, 1, request({ school: "colour-into-a" }))).toBeCloseTo(3500 * density, 6);
});

describe("as few batches as will do", () => {
  test("one, where nothing asks for more", () =>
    expect(split()).toMatchObject({ batches: 1, limit: null, tooSlow: false, shares: [1] }));
  test("no fewer than there were", () =>
    expect(splitBatches({ batches: 3, limit: "kit" }, divided, need(1), request())).toMatchObject({
      batches: 3,
      limit: "kit",
    }));
  test("the largest vessel, filled as far as it can be stirred", () => {
    const vesselMl = 4000 / 3 / FULLEST;
    expect(split({ vesselsMl: [500, vesselMl] })).toMatchObject({ batches: 3, limit: "largest vessel" });
    expect(split({ vesselsMl: [500, vesselMl * 0.99] }).batches).toBe(4);
  });
  test("a kit", () => {
    expect(split({ largestBatchMl: 2000 })).toMatchObject({ batches: 2, limit: "kit" });
    expect(split({ largestBatchMl: 1999 }).batches).toBe(3);
  });
  test("the card's largest mix", () => {
    const allG = 4000 * mixDensityGPerMl(coating!);
    const resin = { ...coating!, largestMixG: allG / 2 + 1e-6 };
    expect(split({ resin })).toMatchObject({ batches: 2, limit: "largest mix" });
  });
  test("the low end of the pot's life, with the mixing in it", () => {
    const life = potLifeSpread(4000 * mixDensityGPerMl(coating!), 21, coating!).low;
    const fits = life - mixingMinutes(4000);
    expect(split({}, fits - 1e-6).batches).toBe(1);
    expect(split({}, fits + 0.01)).toMatchObject({ batches: 2, limit: "pot life" });
  });
  test("a paint waits for nobody, but goes into no vessel that is too small", () => {
    expect(split({ resin: paint! }, 9999)).toMatchObject({ batches: 1 });
    expect(split({ resin: paint!, vesselsMl: [2400] }, 9999)).toMatchObject({ batches: 2 });
  });
  test("where even the most are too large it says so", () =>
    expect(split({ largestBatchMl: 1 })).toMatchObject({
      batches: MOST_BATCHES,
      tooSlow: true,
      limit: "kit",
    }));
});
