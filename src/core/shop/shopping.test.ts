import { exactly } from "../numerics/spread";
import { wetEdge } from "../schedule/wet-edge";
import { spraysOf } from "../schedule/sprays";
import { usualPass } from "../schedule/pass";
import { derivePlan } from "../plan/derive-plan";
import type { JobDocument } from "../job/job";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";
import { solve, type Model } from "yalps";
import { NOTHING_ON_SHELF, shoppingFor } from "./shopping";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const planOf = (edit: (job: JobDocument) => void = () => {}) => {
  const job = sampleJob(cards, newId);
  edit(job);
  return derivePlan(job, cards);
};

describe("what to buy", () => {
  test("coats of one resin are bought together; the kits cover the high end of the need", () => {
    const plan = planOf();
    const shopping = shoppingFor([plan]);
    const coating = shopping.resins.find((resin) => resin.card.kind === "coating")!;
    const likely = plan.coats
      .filter((coat) => coat.resin?.id === coating.card.id)
      .reduce((sum, coat) => sum + (coat.batched?.mixMl.likely ?? 0), 0);
    expect(coating.ml.likely).toBeCloseTo(likely, 6);
    expect(coating.cheapest!.boughtMl).toBeGreaterThanOrEqual(coating.ml.high);
    expect(coating.cost).toBe(coating.cheapest!.cost);
    expect(coating.leastLeft!.leftMl).toBeLessThanOrEqual(coating.cheapest!.leftMl);
  });
  test("a kit that is mixed up whole is one kit to buy, to the last drop", () => {
    const plan = planOf((job) => {
      const kitMl = cards.find((card) => card.kind === "coating")!.kits[0]!.ml;
      job.coats = job.coats
        .filter(({ kind }) => kind === "colour")
        .map((coat) => ({ ...coat, given: { by: "kits", kitMl, count: 1 } }));
    });
    const [coating] = shoppingFor([plan]).resins;
    expect(coating!.ml.high).toBeCloseTo(coating!.ml.low, 9);
    expect(coating!.leastLeft).toMatchObject({ leftMl: expect.closeTo(0, 6), kits: [{ count: 1 }] });
  });
  test("a small piece costs what it takes of a kit, not the kit: the money to an area does not hang on how small it is", () => {
    const perM2 = (lengthMm: number) =>
      shoppingFor([
        planOf((job) => void (job.pieces[0]!.shape = { kind: "straight", lengthMm, depthMm: 600 })),
      ]).perM2!;
    const [small, large] = [perM2(400), perM2(4000)];
    expect(small / large).toBeLessThan(3);
    expect(small).toBeGreaterThan(large);
  });
  test("two jobs bought together need what both need, and never cost more than apart", () => {
    const [plan, two] = [planOf(), planOf((job) => (job.pieces[0]!.count = 2))];
    const [apart, together] = [shoppingFor([plan]).cost + shoppingFor([two]).cost, shoppingFor([plan, two])];
    expect(together.cost).toBeLessThanOrEqual(apart);
    expect(together.resins.find((resin) => resin.card.kind === "paint")!.ml.likely).toBeCloseTo(
      (plan.coats[0]?.batched?.mixMl.likely ?? 0) + (two.coats[0]?.batched?.mixMl.likely ?? 0),
      6,
    );
  });
  test("a colour used in several coats is one line; grams sum", () => {
    const plan = planOf();
    const black = shoppingFor([plan]).colours.filter((colour) => colour.name === "Ink black");
    expect(black).toHaveLength(1);
    const grams = plan.coats
      .flatMap((coat) =>
        coat.coat.colours.filter(({ name }) => name === "Ink black").map(({ id }) => [coat, id] as const),
      )
      .flatMap(([coat, id]) =>
        (coat.batched?.batches ?? []).flatMap((batch) => batch.cups.filter((cup) => cup.colourId === id)),
      )
      .flatMap((cup) => cup.doses)
      .reduce((sum, dose) => sum + dose.grams, 0);
    expect(black[0]!.grams.likely).toBeCloseTo(grams, 9);
  });
  test("cups of one coat are off together: their spread is that of its mix, however many batches there are", () => {
    const job = sampleJob(cards, newId);
    job.coats = [job.coats[2]!];
    job.coats[0]!.rateM2PerH = 1.6;
    const plan = derivePlan(job, cards);
    const { batches, mixMl } = plan.coats[0]!.batched!;
    expect(batches.length).toBeGreaterThan(1);
    for (const { grams } of shoppingFor([plan]).colours) {
      expect(grams.high / grams.likely).toBeCloseTo(mixMl.high / mixMl.likely, 9);
      expect(grams.low / grams.likely).toBeCloseTo(mixMl.low / mixMl.likely, 9);
    }
  });
  test("a resin without price is named, not taken for free", () => {
    const bare = cards.map((card) => ({
      ...card,
      kits: [],
      pricePerLitre: card.kind === "coating" ? null : card.pricePerLitre,
    }));
    const job = sampleJob(bare, newId);
    expect(shoppingFor([derivePlan(job, bare)]).unpriced).toEqual(["Slow coating 1:1"]);
  });
});

describe("sprays", () => {
  const fog = { ...usualPass("f", "fog"), mlPerM2: 10, rounds: 2 };
  test("what lands is asked for, what leaves the can is more; cans cover the high end", () => {
    const [need] = spraysOf([fog], 3e6, {});
    expect(need!.ml.likely).toBeCloseTo(60 / 0.65, 9);
    expect(need!.ml.high).toBeCloseTo(60 / 0.45, 9);
    // Half of a 400 ml can is paint.
    expect(need!.containers).toBe(1);
    expect(spraysOf([fog], 12e6, {})[0]!.containers).toBe(Math.ceil(240 / 0.45 / 200));
  });
  test("mica in alcohol: grams to 100 ml of what is sprayed", () => {
    const mist = { ...usualPass("m", "mica-alcohol"), gPer100Ml: 5 };
    const [need] = spraysOf([mist], 2e6, { sprayOnPiece: 100 });
    expect(need!.powderG!.likely).toBeCloseTo((12 * 5) / 100, 9);
  });
  test("a torch sprays nothing", () => expect(spraysOf([usualPass("t", "flame")], 1e6, {})).toEqual([]));
});

describe("sections that meet wet", () => {
  const many = (people: number) => {
    const plan = planOf((job) => {
      job.pieces[0]!.shape = { kind: "straight", lengthMm: 9000, depthMm: 900 };
      job.work.people = people;
    });
    const { batched, life } = plan.coats[2]!;
    return wetEdge(batched!, life, people)!;
  };
  test("one pair of hands lets the edge wait while it mixes; with two it waits less", () => {
    expect(many(1).waitsMin.likely).toBeGreaterThan(many(2).waitsMin.likely);
    expect(many(1).workedOverMin.likely).toBeGreaterThan(many(1).waitsMin.likely);
  });
  test("safe only when even the late end of the work is before the early end of the film", () => {
    const edge = many(2);
    expect(edge.safe).toBe(edge.workedOverMin.high <= edge.staysWetMin.low);
  });
  test("one batch has no edge that waits", () => {
    const { batched, life } = planOf().coats[0]!;
    expect(wetEdge({ ...batched!, potLifeMin: exactly(40) }, life, 1)).toBeNull();
  });
});

describe("with a shelf", () => {
  const coating = cards.find((card) => card.kind === "coating")!;
  const onShelf = (ml: number) => ({ ...NOTHING_ON_SHELF, resinMl: { [coating.id]: ml } });
  const boughtWith = (ml: number) =>
    shoppingFor([planOf()], onShelf(ml)).resins.find(({ card }) => card.id === coating.id)!;
  test("only what the shelf lacks is bought, as cheaply as a linear programme finds (yalps)", () => {
    const all = boughtWith(0);
    for (const there of [500, 2000, 5000, 9000]) {
      const need = all.ml.high - there;
      if (need <= 0) continue;
      const model: Model = {
        direction: "minimize",
        objective: "cost",
        constraints: { ml: { min: need } },
        variables: Object.fromEntries(
          coating.kits.map(({ ml, price }, index) => [`k${index}`, { ml, cost: price }]),
        ),
        integers: true,
      };
      const bought = boughtWith(there);
      expect(bought.onShelfMl).toBe(there);
      expect(bought.cost).toBeCloseTo(solve(model, { tolerance: 0 }).result, 6);
    }
  });
  test("enough there: nothing is bought, nothing is owed, and what lies on the piece costs what it did", () => {
    const bought = boughtWith(1e6);
    expect([bought.cost, bought.cheapest, bought.onShelfMl]).toEqual([0, null, bought.ml.high]);
    const [with_, without] = [shoppingFor([planOf()], onShelf(1e6)), shoppingFor([planOf()])];
    expect(with_.perM2).toBeCloseTo(without.perM2!, 9);
    expect(with_.unpriced).toEqual(without.unpriced);
  });
  test("cups, sticks, colours and stones of the shelf are told up to what is needed", () => {
    const bare = shoppingFor([planOf()]);
    const [cup] = bare.vessels;
    const colour = bare.colours[0];
    const shopping = shoppingFor([planOf()], {
      ...NOTHING_ON_SHELF,
      cups: { [Math.round(cup!.nominalMl)]: 1 },
      sticks: 9999,
      ...(colour && { colourG: { [colour.name.toLowerCase()]: 0.5 } }),
    });
    expect(shopping.vessels[0]).toEqual({ ...cup, onShelf: 1 });
    expect(shopping.sticksOnShelf).toBe(bare.sticks);
    if (colour) expect(shopping.colours[0]!.onShelfG).toBe(0.5);
  });
});
