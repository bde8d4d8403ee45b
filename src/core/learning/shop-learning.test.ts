import fc from "fast-check";
import { FACTORS } from "../batch/factors";
import { fittedResin } from "../cure/fitted-resin";
import { overSheet, stringMin } from "../cure/own-tests";
import type { ResinCard } from "../cure/resin-card";
import { starterCards } from "../cure/starter-cards";
import { atMinute, poured } from "../inspect/testing/poured";
import { withTechnique } from "../job/techniques";
import { normals, seeded } from "../numerics/random";
import { colourCoat, newId } from "../plan/testing/sample";
import type { PourEvent } from "../pour/pour-events";
import { adoptedFactors, factorValues, lastWord, type LearningDecision } from "./decisions";
import { learn, type Term } from "./fit";
import { learnAlcohol, learnWeighing } from "./learn-over";
import { learnSpeeds, speedProposal } from "./learn-speeds";
import { learnTimes } from "./learn-times";
import { learnVolumes } from "./learn-volumes";
import { learntFactors } from "./learnt-factors";
import { adoptedWords, notProposedWords, timeProposalWords, volumeProposalWords } from "./learning-words";
import { looksRehearsed, type LooksRehearsed } from "./looks-rehearsed";
import { missedWindows } from "./missed-windows";
import {
  plannedAlcoholG,
  pourTeaches,
  USUAL_WEIGHING_MIN,
  type CoatTeaches,
  type PourTeaches,
} from "./pour-teaches";
import { logForecast, proposal, readingOfUse } from "./predict";
import { volumeFactors } from "./volume-factors";

/** A made-up shop: its true corrections, and the pours that they make. Simulated; no log of a real shop was seen. */
type Truth = Readonly<Record<string, number>>;

const PLAIN: Omit<CoatTeaches, "terms" | "lossTerms" | "use" | "mixMl"> = {
  coatId: "c",
  name: "Colour",
  kind: "counter",
  technique: "palm",
  areaM2: 1,
  fixedMl: 0,
  direct: [],
  alcohol: null,
  weighing: null,
  comb: null,
  time: null,
  speed: [],
  resinName: "Resin",
  windows: [],
};

const head = (n: number): Omit<PourTeaches, "coats"> => ({
  pourId: `p${n}`,
  jobId: "j",
  jobName: `Job ${n}`,
  startedAt: new Date(Date.UTC(2026, 0, 1 + n)).toISOString(),
  photos: [],
});

/** A coat that teaches one thing only. */
const only = (of: Partial<CoatTeaches>): CoatTeaches => ({
  ...PLAIN,
  terms: [],
  lossTerms: [],
  mixMl: 0,
  use: null,
  ...of,
});

function simulated(seed: number, many: number, truth: Truth, noise = 1): PourTeaches[] {
  const uniform = seeded(seed);
  const normal = normals(uniform);
  return Array.from({ length: many }, (_, n): PourTeaches => {
    const film = 800 + 3500 * uniform();
    const size = (low: number, high: number) => low + (high - low) * uniform();
    const lossTerms: Term[] = [
      { ml: size(30, 110), coefs: { lam: 1, cup: 1 } },
      { ml: size(15, 80), coefs: { lam: 1, bucket: 1 } },
      { ml: size(4, 14), coefs: { lam: 1, stick: 1 } },
      { ml: size(10, 25), coefs: { lam: 1, tool: 1 } },
      { ml: size(5, 90), coefs: { lam: 1, open: 1 } },
      { ml: size(5, 40), coefs: { lam: 1, drip: 1 } },
    ];
    const onFilm = { film: 1, "kind:counter": 1 };
    const terms: Term[] = [
      { ml: film, coefs: onFilm },
      { ml: film * size(0.02, 0.15), coefs: { ...onFilm, faceFilm: 1 } },
      ...lossTerms,
    ];
    const sum = (list: readonly Term[], theta: Truth) =>
      list.reduce(
        (all, { ml, coefs }) =>
          all + ml * Math.exp(Object.entries(coefs).reduce((s, [id, c]) => s + c * (theta[id] ?? 0), 0)),
        0,
      );
    const mixMl = 1.15 * sum(terms, {});
    const sigmaOf = (left: number) =>
      readingOfUse({
        mixedMl: mixMl,
        leftMl: left,
        shortMl: null,
        needMl: sum(terms, {}),
        lossesMl: sum(lossTerms, {}),
      });
    const used = sum(terms, truth) + noise * (sigmaOf(50)?.sigma ?? 0) * normal();
    const left = mixMl - used;
    const use = readingOfUse({
      mixedMl: mixMl,
      leftMl: left > 0 ? left : null,
      shortMl: left > 0 ? null : -left,
      needMl: sum(terms, {}),
      lossesMl: sum(lossTerms, {}),
    });
    return {
      ...head(n),
      coats: [{ ...PLAIN, terms, lossTerms, mixMl, use }],
    };
  });
}

/** True corrections as they are likely before anything is seen. */
function drawn(seed: number): Truth {
  const normal = normals(seeded(seed));
  const factors = volumeFactors([{ ml: 1, coefs: { film: 1, "kind:counter": 1 } }]);
  return Object.fromEntries(factors.map(({ id, sd }) => [id, sd * normal()]));
}

const SHOPS = Array.from({ length: 24 }, (_, n) => n + 1);

describe("back-tested on simulated shops", () => {
  const learnt = SHOPS.map((seed) => learnVolumes(simulated(seed, 24, drawn(1000 + seed))));
  const share = (list: readonly { held: boolean }[]) => list.filter(({ held }) => held).length / list.length;

  test("after ten pours 72 to 88 of a hundred lie where eight of ten should", () => {
    const late = learnt.flatMap(({ forecasts }) => forecasts.slice(10));
    expect(late.length).toBeGreaterThan(300);
    expect(share(late)).toBeGreaterThan(0.72);
    expect(share(late)).toBeLessThan(0.88);
  });

  test("its forecasts are ahead of no learning over all shops", () => {
    const gains = learnt.map(({ gain }) => gain!);
    expect(gains.filter((gain) => gain > 0).length / gains.length).toBeGreaterThan(0.7);
  });

  test("where half more is lost than usual, all shops are proposed it; where the usual is right, few are", () => {
    const more = { lam: Math.log(1.5) };
    const proposed = (truth: Truth) =>
      SHOPS.map((seed) =>
        [6, 12, 20].some((many) => learnVolumes(simulated(seed, many, truth)).notProposed === null),
      ).filter(Boolean).length / SHOPS.length;
    expect(proposed(more)).toBeGreaterThan(0.9);
    expect(proposed({})).toBeLessThan(0.25);
  });
});

test("an adopted proposal is not proposed again; a refused one not until it moves further", () => {
  const pours = simulated(3, 16, { lam: Math.log(1.9) });
  const first = learnVolumes(pours);
  expect(first.notProposed).toBeNull();
  expect(learnVolumes(pours, [], first.values).notProposed).not.toBeNull();
  const { movedMl, sdMl } = first.usual!;
  const refused: LearningDecision = {
    id: "1",
    at: "2026-02-01T00:00:00.000Z",
    by: "Ines",
    kind: "refuse",
    of: "volume",
    moved: movedMl,
    sd: sdMl,
  };
  expect(learnVolumes(pours, [refused]).notProposed).toBe("refused");
  expect(learnVolumes(pours, [{ ...refused, moved: movedMl - 2 * sdMl }]).notProposed).toBeNull();
});

test("a change that was confirmed makes the pours before it count less", () => {
  const before = simulated(5, 14, { lam: 0 });
  const after = simulated(6, 6, { lam: Math.log(1.5) }).map((pour, n) => ({ ...pour, pourId: `q${n}` }));
  const pours = [...before, ...after];
  const changed: LearningDecision = {
    id: "1",
    at: "2026-02-01T00:00:00.000Z",
    by: "Ines",
    kind: "changed",
    pourId: "q0",
    yes: true,
  };
  const moved = (decisions: LearningDecision[]) => learnVolumes(pours, decisions).usual!.movedMl;
  expect(moved([changed])).toBeGreaterThan(moved([]) + 10);
  expect(moved([{ ...changed, yes: false }])).toBeCloseTo(moved([]), 6);
});

test("a cup that was weighed lessens the doubt of cups more than pours do", () => {
  const pours = simulated(9, 10, {});
  const weighed = pours.map((pour, n) =>
    n < 4
      ? {
          ...pour,
          coats: pour.coats.map((coat) => ({ ...coat, direct: [{ part: "cup" as const, y: 0.3 }] })),
        }
      : pour,
  );
  const cup = (list: PourTeaches[]) => {
    const { learnt, factors } = learnVolumes(list);
    return learntFactors(learnt, factors).find(({ id }) => id === "cupFilmMm")!;
  };
  expect(cup(weighed).doubtLeft).toBeLessThan(cup(pours).doubtLeft);
  expect(cup(weighed).likely).toBeGreaterThan(FACTORS.cupFilmMm.usual.likely);
});

test("time: who is slow with one way of working is told by the way where both hands do both; names only from five pours", () => {
  const timed = (n: number, person: string, technique: "palm" | "flood", times: number): PourTeaches => ({
    ...head(n),
    coats: [
      {
        ...PLAIN,
        technique,
        terms: [],
        lossTerms: [],
        mixMl: 100,
        use: null,
        time: { tookMin: 40 * times, plannedMin: 40, people: [person] },
      },
    ],
  });
  const pours = Array.from({ length: 12 }, (_, n) =>
    timed(n, n % 2 === 0 ? "A" : "B", n % 4 < 2 ? "palm" : "flood", n % 4 < 2 ? 1.5 : 1),
  );
  const { techniques, people, usual } = learnTimes(pours);
  const of = (technique: string) => techniques.find((one) => one.technique === technique)!;
  expect(of("palm").times).toBeGreaterThan(of("flood").times * 1.15);
  expect(of("palm").minPerM2).toBeCloseTo(60, 9);
  expect(people).toHaveLength(2);
  expect(usual.times).toBeGreaterThan(1);
  expect(usual).toMatchObject({ coats: 12, pours: 12 });
  expect(learnTimes(pours.slice(0, 6)).people).toEqual([]);
  expect(learnTimes([]).notProposed).toBe("nothing to learn from");
});

test("time: what always takes half as long again is proposed, in pours; taken over it is not proposed again", () => {
  const pours = Array.from({ length: 14 }, (_, n): PourTeaches => ({
    ...head(n),
    coats: ["a", "b"].map((coatId) => ({
      ...PLAIN,
      coatId,
      technique: n % 2 === 0 ? "palm" : "flood",
      terms: [],
      lossTerms: [],
      mixMl: 100,
      use: null,
      time: { tookMin: 80 + (n % 3), plannedMin: 50, people: [["A", "B", "C", "D"][n % 4]!] },
    })),
  }));
  const told = learnTimes(pours);
  expect(told.notProposed).toBeNull();
  expect(told.usual).toMatchObject({ coats: 28, pours: 14 });
  // 81 of 50 minutes are 1.62 times, drawn a little towards the plan.
  expect(told.usual.times).toBeGreaterThan(1.4);
  expect(told.usual.low).toBeLessThan(1.62);
  expect(learnTimes(pours, [], told.usual.times).notProposed).not.toBeNull();
  expect(learnTimes(pours.slice(0, 3)).notProposed).toBe("too few pours");
});

test("a change of time is proposed where it matters and was foretold better than by the plan", () => {
  const asked = { movedMl: 12, sdMl: 3, mixMl: 60, pours: 9 };
  const matters = { least: 5, share: 0.1 };
  expect(proposal({ ...asked, ahead: true }, matters)).toBeNull();
  expect(proposal({ ...asked, ahead: false }, matters)).toBe("behind the prior");
  expect(proposal({ ...asked, movedMl: 5.5, sdMl: 1, ahead: true }, matters)).toBe("too small");
});

test("a time that is foretold before anything is seen: the doubts of shop, person and reading together, by hand", () => {
  const before = learn(
    [
      { id: "shop", sd: 0.25 },
      { id: "person", sd: 0.2 },
    ],
    [],
  );
  const { mean, half80 } = logForecast(before, { shop: -1, person: -1 }, 0.2, 1);
  expect(mean).toBe(0);
  // 1.2816² · (0.25² + 0.2²) + 1.5332² · 0.2², the middle eight tenths of a normal and of Student's with four degrees of freedom.
  expect(half80).toBeCloseTo(Math.sqrt(1.6424 * 0.1025 + 2.3507 * 0.04), 3);
});

test("decisions: the later word counts, a take-back brings back the usual of its kind only, in any order", () => {
  const at = (day: number) => new Date(Date.UTC(2026, 0, day)).toISOString();
  const words: LearningDecision[] = [
    {
      id: "1",
      at: at(1),
      by: "I",
      kind: "adopt",
      of: "volume",
      factors: { cupFilmMm: 0.7 },
      pours: 5,
      moved: 30,
    },
    {
      id: "2",
      at: at(2),
      by: "I",
      kind: "adopt",
      of: "time",
      factors: { workTimes: 1.2 },
      pours: 6,
      moved: 9,
    },
    {
      id: "3",
      at: at(3),
      by: "I",
      kind: "adopt",
      of: "volume",
      factors: { cupFilmMm: 0.8 },
      pours: 9,
      moved: 40,
    },
  ];
  fc.assert(
    fc.property(fc.shuffledSubarray(words, { minLength: 3 }), (shuffled) => {
      expect(factorValues(adoptedFactors(shuffled))).toEqual({ cupFilmMm: 0.8, workTimes: 1.2 });
    }),
  );
  const back: LearningDecision = { id: "4", at: at(4), by: "I", kind: "take-back", of: "volume" };
  expect(factorValues(adoptedFactors([...words, back]))).toEqual({ workTimes: 1.2 });
  expect(lastWord([...words, back], "volume")?.kind).toBe("take-back");
  expect(adoptedFactors(words).cupFilmMm).toMatchObject({ pours: 9, by: "I" });
});

test("windows missed most come first", () => {
  const pour = (kinds: CoatTeaches["windows"]): PourTeaches => ({
    ...simulated(1, 1, {})[0]!,
    coats: [only({ windows: kinds })],
  });
  const rows = missedWindows([
    pour([
      { kind: "veins", against: "too late" },
      { kind: "flame", against: "in its window" },
    ]),
    pour([
      { kind: "veins", against: "too early" },
      { kind: "flame", against: "maybe too late" },
    ]),
  ]);
  expect(rows[0]).toEqual({ kind: "veins", done: 2, early: 1, late: 1 });
  expect(rows[1]).toEqual({ kind: "flame", done: 2, early: 0, late: 0 });
});

test("in words: more or less, with its spread, and that one loss is not known from left-overs", () => {
  expect(volumeProposalWords({ movedMl: 120, sdMl: 31, pours: 9 }, "metric")).toBe(
    "Your last 9 pours took 120 ml more than planned each, most likely 80 to 160 ml. Which loss it is, what was left over cannot tell.",
  );
  expect(volumeProposalWords({ movedMl: -120, sdMl: 31, pours: 9 }, "metric")).toContain("120 ml less");
  expect(timeProposalWords({ movedMin: 12, sdMin: 3 })).toBe(
    "Mixing and laying took 12 min longer than planned each time, most likely 8 min to 16 min.",
  );
  expect(notProposedWords("inside its spread")).toContain("the plan stands");
  expect(adoptedWords({ pours: 1, by: "Ines" }, "12 Nov")).toBe(
    "the shop's own, from 1 pour, taken over 12 Nov by Ines",
  );
});

test("looks: half of all that differs lies under another colour; the worst first; widths as a middle with its ends from four photos on", () => {
  const photo = (technique: "palm" | "flood", off: number, times: number): PourTeaches["photos"][number] => ({
    technique: technique === "palm" ? "palm" : "spread",
    looks: [
      {
        name: "White",
        seen: 0.6 - off,
        rehearsed: 0.6,
        widthMm: null,
        rehearsedMm: null,
        cellMm: 30 * times,
        rehearsedCellMm: 30,
      },
      {
        name: "Black",
        seen: 0.4 + off,
        rehearsed: 0.4,
        widthMm: 10 * times,
        rehearsedMm: 10,
        cellMm: null,
        rehearsedCellMm: null,
      },
    ],
  });
  const pours = [1.2, 1.3, 1.1, 1.25].map((times, n) => ({
    ...head(n),
    coats: [],
    photos: [photo("palm", 0.02, times), photo("flood", 0.09, 0)],
  }));
  const [worst, better] = looksRehearsed(pours) as [LooksRehearsed, LooksRehearsed];
  expect(worst).toMatchObject({ technique: "spread", photos: 4, widths: null });
  expect(worst.offPoints).toBeCloseTo(9, 9);
  expect(better.offPoints).toBeCloseTo(2, 9);
  // The geometric mean, by hand; the ends of four are the least and the largest.
  expect(better.widths!.likely).toBeCloseTo((1.2 * 1.3 * 1.1 * 1.25) ** 0.25, 9);
  expect(better.widths!.between!.low).toBeCloseTo(1.1, 9);
  expect(better.widths!.between!.high).toBeCloseTo(1.3, 9);
  // Cells of the one colour that lies in cells, the same by hand.
  expect(better.cells).toEqual(better.widths);
  expect(looksRehearsed(pours.slice(0, 3)).at(-1)!.widths).toMatchObject({ between: null, photos: 3 });
  expect(looksRehearsed([])).toEqual([]);
});

test("alcohol: a bottle that is always emptier than planned is told, with its doubt, and less surely by one weighing", () => {
  const weighed = (many: number, times: number) =>
    learnAlcohol(
      Array.from({ length: many }, (_, n) => ({
        ...head(n),
        coats: [only({ alcohol: { y: Math.log(times), people: ["Ines"] } })],
      })),
    );
  expect(weighed(0, 1)).toBeNull();
  const [one, ten] = [weighed(1, 1.5)!, weighed(10, 1.5)!];
  expect(one.coats).toBe(1);
  expect([1 < one.times, one.times < ten.times, ten.times < 1.5]).toEqual([true, true, true]);
  expect(ten.high / ten.low).toBeLessThan(one.high / one.low);
  expect(weighed(10, 1)!.times).toBeCloseTo(1, 6);
});

test("weighing: minutes between the lines of a coat, over the usual; a break is none, a single line tells nothing", () => {
  const log = poured();
  const { id } = log.plan.coats.find(({ batched, resin }) => batched && resin?.kind !== "paint")!.coat;
  const weighed = (minutes: readonly number[]) =>
    pourTeaches(
      head(1),
      log,
      minutes.map((minute, n) => ({
        id: `w${n}`,
        at: atMinute(minute),
        kind: "weighed",
        stepId: `${id}:weigh:0`,
        line: "A",
        grams: 100,
      })),
    ).coats.find(({ coatId }) => coatId === id)!.weighing;
  // Two and six minutes; the forty after them are a break.
  expect(weighed([548, 542, 540, 544 + 44])!.y).toBeCloseTo(Math.log((2 + 6) / 2 / USUAL_WEIGHING_MIN), 9);
  expect(weighed([540])).toBeNull();
  expect(weighed([540, 600])).toBeNull();
  const slow = Array.from({ length: 8 }, (_, n) => ({
    ...head(n),
    coats: [only({ weighing: { y: Math.log(2), people: ["Ines"] } })],
  }));
  const learnt = learnWeighing(slow)!;
  expect([1.3 < learnt.times, learnt.times < 2, learnt.low < learnt.times]).toEqual([true, true, true]);
  expect(learnWeighing([])).toBeNull();
});

test("what a pour teaches of its look and its alcohol: the last photo of a piece, the last weighing over what its passes were planned to take", () => {
  const looks = (seen: number) => [
    {
      name: "White",
      seen,
      rehearsed: 0.5,
      widthMm: null,
      rehearsedMm: null,
      cellMm: null,
      rehearsedCellMm: null,
    },
  ];
  const log = poured(
    (draft) => {
      draft.coats[2] = withTechnique(colourCoat(draft), "palm-blend", newId);
    },
    undefined,
    ({ pieces }) =>
      [0.4, 0.55].map((seen, n) => ({
        at: atMinute(700 + n),
        kind: "photo-read" as const,
        pieceId: pieces[0]!.id,
        when: "cured" as const,
        looks: looks(seen),
      })),
  );
  const planned = log.plan.coats.find((one) => plannedAlcoholG(one) !== null)!;
  // Millilitres to the m² over the top's area, by the density of isopropanol.
  const perM2 = planned.coat.passes.reduce(
    (sum, { kind, mlPerM2 }) => sum + (kind === "alcohol" || kind === "mica-alcohol" ? (mlPerM2 ?? 0) : 0),
    0,
  );
  const grams = (perM2 * planned.batched!.topAreaMm2 * 0.786) / 1e6;
  expect(plannedAlcoholG(planned)).toBeCloseTo(grams, 9);
  const weighed = [2, 1.25].map((times, n): PourEvent => ({
    id: `w${n}`,
    at: atMinute(690 + n),
    kind: "alcohol-weighed",
    coatId: planned.coat.id,
    grams: grams * times,
  }));
  const { coats, photos } = pourTeaches(head(1), log, [...weighed].reverse());
  expect(photos).toEqual([{ technique: expect.any(String), looks: looks(0.55) }]);
  expect(coats.find(({ coatId }) => coatId === planned.coat.id)!.alcohol!.y).toBeCloseTo(Math.log(1.25), 9);
  expect(pourTeaches(head(1), log, []).coats.every(({ alcohol }) => alcohol === null)).toBe(true);
});

test("speed: a resin that is surely slower than its sheet proposes a test to its card; taken over it is not proposed again", () => {
  const card: ResinCard = { ...starterCards(() => "r")[0]!, id: "r", benchTests: [] };
  const seen = (many: number, times: number) =>
    learnSpeeds(
      Array.from({ length: many }, (_, n) => ({
        ...head(n),
        coats: [only({ speed: [{ word: "string" as const, y: Math.log(times), resin: "r", lot: null }] })],
      })),
    )[0]!;
  const slow = seen(10, 1.5);
  const proposed = speedProposal(slow, card)!;
  expect(proposed.beforeMin).toBeCloseTo(stringMin(fittedResin(card)), 9);
  expect(proposed.afterMin / proposed.beforeMin).toBeCloseTo(1 / slow.times, 9);
  expect(proposed.afterMin / proposed.beforeMin).toBeGreaterThan(1.2);
  expect(speedProposal(seen(3, 1.5), card)).toBeNull();
  expect(speedProposal(seen(10, 1.05), card)).toBeNull();
  expect(speedProposal(slow, { ...card, kind: "paint" })).toBeNull();
  const { afterMin: minutes, tempC } = proposed;
  const withTest: ResinCard = { ...card, benchTests: [{ kind: "string", minutes, tempC, massG: null }] };
  expect(overSheet(fittedResin(card))).toBe(1);
  const cup = { kind: "cup" as const, minutes: 30, tempC: 21, massG: 150 };
  expect(overSheet(fittedResin({ ...card, benchTests: [cup] }))).toBe(1);
  // The fit weighs the test against the sheet: part of the way.
  const over = overSheet(fittedResin(withTest));
  expect(over).toBeGreaterThan(1.1);
  expect(over).toBeLessThan(proposed.afterMin / proposed.beforeMin);
  expect(over).toBeCloseTo(stringMin(fittedResin(withTest)) / stringMin(fittedResin(card)), 9);
  expect(speedProposal(slow, withTest)).toBeNull();
});
