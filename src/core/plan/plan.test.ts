import fc from "fast-check";
import { DAY_MIN } from "../schedule/hours";
import { moveShare } from "../batch/shares";
import type { Coat } from "../schedule/coat";
import { unitOf } from "../units/dimension";
import { derivePlan } from "./derive-plan";
import { describeChanges } from "../job/describe-changes";
import type { JobDocument } from "../job/job";
import { newCoat } from "../job/new-job";
import { dammed, newPiece, reshaped } from "../geometry/new-piece";
import { TECHNIQUES } from "../job/technique-list";
import { withTechnique } from "../job/techniques";
import { clockText } from "../units/clock";
import { CARDS, colourCoat, job, newId, planned } from "./testing/sample";

describe("a coat's volume", () => {
  test("is area × film on the top, to the last drop", () => {
    const { batched } = planned(job());
    expect(batched.onTopMl.likely).toBeCloseTo((2400 * 635 * 1) / 1000, 6);
  });

  test("about 3 fl oz/ft² used asks for 3.5 to 4 mixed (common practice, no source)", () => {
    const document = job((draft) => {
      draft.pieces[0]!.shape = { kind: "straight", lengthMm: 3658, depthMm: 648 };
      colourCoat(draft).filmMm = unitOf("film", "fl oz/ft²").toBase(3);
    });
    const rate = unitOf("film", "fl oz/ft²").fromBase(planned(document).batched.mixedFilmMm);
    expect(rate).toBeGreaterThan(3.3);
    expect(rate).toBeLessThan(4.1);
  });

  test("needed + losses + held back = cups = pots (conservation)", () => {
    const thickness = fc.double({ min: 0.2, max: 4, noNaN: true });
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 6000 }),
        fc.integer({ min: 100, max: 1500 }),
        thickness,
        fc.integer({ min: 1, max: 3 }),
        fc.constantFrom("clear-first", "colour-into-a"),
        (lengthMm, depthMm, filmMm, people, school) => {
          const document = job((draft) => {
            draft.pieces[0]!.shape = { kind: "straight", lengthMm, depthMm };
            draft.work.people = people;
            colourCoat(draft).filmMm = filmMm;
            colourCoat(draft).school = school as Coat["school"];
          });
          const { batched } = planned(document);
          const held = batched.held.reduce((sum, kept) => sum + kept.ml, 0);
          const losses = batched.losses.reduce((sum, loss) => sum + loss.ml.likely, 0);
          const parts = batched.onTopMl.likely + batched.onFacesMl.likely + losses + held;
          const cups = batched.batches.flatMap((batch) => batch.cups).reduce((sum, cup) => sum + cup.ml, 0);
          const pots = batched.batches.reduce((sum, batch) => sum + batch.parts.mixMl, 0);
          expect(parts / batched.mixMl.likely).toBeCloseTo(1, 6);
          expect(cups / batched.mixMl.likely).toBeCloseTo(1, 9);
          expect(pots / batched.mixMl.likely).toBeCloseTo(1, 9);
          expect(batched.mixMl.low).toBeLessThan(batched.mixMl.likely);
          expect(batched.mixMl.high).toBeGreaterThan(batched.mixMl.likely);
        },
      ),
      { numRuns: 60 },
    );
  });

  test("shares do not change with size", () => {
    fc.assert(
      fc.property(fc.integer({ min: 200, max: 8000 }), (lengthMm) => {
        const document = job((draft) => {
          draft.pieces[0]!.shape = { kind: "straight", lengthMm, depthMm: 635 };
        });
        const small = planned(job()).batched;
        const large = planned(document).batched;
        large.coloursMl.forEach(({ ml }, index) =>
          expect(ml / large.mixMl.likely).toBeCloseTo(
            (small.coloursMl[index]?.ml ?? 0) / small.mixMl.likely,
            9,
          ),
        );
      }),
      { numRuns: 25 },
    );
  });

  test("moving a share moves its cup and nothing of the pot", () => {
    const document = job();
    const before = planned(document).batched;
    // Documents are never changed in place: what is known of a coat is kept for it.
    const moved = structuredClone(document);
    const coat = colourCoat(moved);
    coat.colours = moveShare(coat.colours, coat.colours[0]!.id, 0.7);
    const after = planned(moved).batched;
    expect(after.onTopMl).toEqual(before.onTopMl);
    expect(after.coloursMl[0]!.ml).toBeGreaterThan(before.coloursMl[0]!.ml);
  });
});

describe("batches", () => {
  test("more batches when the work outlives the pot; a second pair of hands needs fewer or as many", () => {
    const slow = job((draft) => {
      draft.pieces[0]!.shape = { kind: "straight", lengthMm: 6000, depthMm: 900 };
      draft.work.tempC = 26;
      colourCoat(draft).rateM2PerH = 5;
    });
    const alone = planned(slow).batched;
    expect(alone.batches.length).toBeGreaterThan(1);
    const mixing = alone.mixingMin + alone.workMin.likely / alone.batches.length;
    expect(mixing).toBeLessThanOrEqual(alone.potLifeMin!.low + 1);
    slow.work.people = 2;
    expect(planned(slow).batched.batches.length).toBeLessThanOrEqual(alone.batches.length);
  });

  test("sections of all batches sum to the pieces and meet", () => {
    const document = job((draft) => {
      draft.pieces.push({ ...newPiece("round", "Table", newId), count: 2 });
      colourCoat(draft).rateM2PerH = 3;
    });
    const { batched } = planned(document);
    const whole = derivePlan(document, CARDS).pieces;
    for (const piece of whole) {
      for (let copy = 1; copy <= piece.count; copy += 1) {
        const runs = batched.batches
          .flatMap((batch) => batch.sections)
          .filter(
            (section) =>
              section.pieceId === piece.id && section.copy <= copy && copy < section.copy + section.copies,
          );
        expect(runs[0]?.fromMm).toBe(0);
        expect(runs[runs.length - 1]?.toMm).toBeCloseTo(piece.outline.widthMm, 6);
        runs.reduce((end, run) => {
          expect(run.fromMm).toBeCloseTo(end, 6);
          return run.toMm;
        }, 0);
      }
    }
  });

  test("a paint primer has no B, no pot life, one batch", () => {
    const primer = planned(job(), "primer");
    expect(primer.batched.batches).toHaveLength(1);
    expect(primer.batched.batches[0]!.parts.bG).toBe(0);
    expect(primer.batched.potLifeMin).toBeNull();
  });
});

describe("faults and problems are said, never hidden in a number", () => {
  test("a piece that cannot be is left out and named", () => {
    const plan = derivePlan(
      job((draft) => {
        draft.pieces[0]!.shape = { kind: "straight", lengthMm: 0, depthMm: 600 };
      }),
      CARDS,
    );
    expect(plan.faults[0]).toMatchObject({ pieceName: "Counter", at: "shape.lengthMm" });
    expect(plan.coats[2]?.problem).toBe("No piece is measured yet.");
  });
  test("a coat without a resin asks for one", () => {
    const plan = derivePlan(
      job((draft) => void (colourCoat(draft).resinCardId = null)),
      CARDS,
    );
    expect(plan.coats[2]?.problem).toContain("Choose a resin");
  });
});

describe("advice", () => {
  const rules = (document: JobDocument) => derivePlan(document, CARDS).advice.map((advice) => advice.rule);
  test("the palm blend over a base laid wet says nothing of black on primer; without the base it does", () => {
    expect(rules(job())).not.toContain("black-on-primer");
    const bare = job((draft) => {
      draft.coats = draft.coats.filter((coat) => coat.kind !== "base");
      colourCoat(draft).startsAfter = "tacky";
    });
    expect(rules(bare)).toContain("black-on-primer");
  });
  test("a flame too soon after alcohol is a danger and comes first", () => {
    const document = job((draft) => {
      const flame = colourCoat(draft).passes.find((pass) => pass.kind === "flame");
      if (flame) flame.fromMin = 16;
    });
    const [first] = derivePlan(document, CARDS).advice;
    expect(first).toMatchObject({ rule: "flame-after-vapour", kind: "safety" });
    expect(rules(job())).not.toContain("flame-after-vapour");
  });
  test.each<[string, (draft: JobDocument) => void]>([
    ["film-too-thin", (draft: JobDocument) => void (colourCoat(draft).filmMm = 0.6)],
    ["film-too-thick", (draft: JobDocument) => void (colourCoat(draft).filmMm = 6)],
    ["load-too-large", (draft: JobDocument) => void (colourCoat(draft).colours[0]!.gPer100G = 9)],
    [
      "metallic-share",
      (draft: JobDocument) =>
        void (colourCoat(draft).colours = moveShare(
          colourCoat(draft).colours,
          colourCoat(draft).colours[1]!.id,
          0.7,
        )),
    ],
    ["room-temperature", (draft: JobDocument) => void (draft.work.tempC = 14)],
    ["yellow-over-dark", (draft: JobDocument) => void (colourCoat(draft).colours[0]!.hex = "#E0B52A")],
  ])("%s speaks when it should and only then", (rule, change) => {
    expect(rules(job())).not.toContain(rule);
    expect(rules(job(change))).toContain(rule);
  });
});

describe("what to mix when", () => {
  test("base and colour on one day in order, the clear not before the colour can be sanded", () => {
    const [primer, base, colour, clear] = derivePlan(job(), CARDS).coats.map((coat) => coat.windows!);
    expect(base!.mixedAtMin - primer!.mixedAtMin).toBeGreaterThanOrEqual(45);
    expect(colour!.mixedAtMin).toBeGreaterThanOrEqual(base!.laidAtMin);
    expect(clear!.mixedAtMin).toBeGreaterThanOrEqual(DAY_MIN);
    expect(clockText(clear!.mixedAtMin)).toMatch(/\+1 d$/);
  });
  test("each batch is mixed before it is poured, and poured when the last is worked", () => {
    const document = job((draft) => {
      colourCoat(draft).rateM2PerH = 2;
    });
    const rows = planned(document).windows!.batches;
    expect(rows.length).toBeGreaterThan(1);
    rows.forEach((row, index) => {
      expect(row.mixAtMin).toBeLessThan(row.pourAtMin);
      if (index > 0) expect(row.pourAtMin).toBeGreaterThanOrEqual(rows[index - 1]!.doneAtMin);
    });
  });
});

describe("techniques", () => {
  test.each(Object.keys(TECHNIQUES) as (keyof typeof TECHNIQUES)[])(
    "%s fills a coat with shares that sum to one, its veins late",
    (id) => {
      const coat = withTechnique(newCoat("colour", "Colour", CARDS[0]!.id, newId), id, newId);
      expect(coat.colours.reduce((sum, colour) => sum + colour.share, 0)).toBeCloseTo(1, 9);
      for (const { kind, fromMin } of coat.passes)
        if (kind === "veins") expect(fromMin).toBeGreaterThanOrEqual(45);
      expect(new Set(coat.passes.map((pass) => pass.id)).size).toBe(coat.passes.length);
    },
  );
  test("a dammed piece loses no run-off but keeps its faces", () => {
    const piece = dammed(newPiece("rectangle", "Top", newId));
    const plan = derivePlan(
      job((draft) => void (draft.pieces = [piece])),
      CARDS,
    );
    expect(plan.totals.dripLengthMm).toBe(0);
    expect(plan.totals.faceAreaMm2).toBeGreaterThan(0);
  });
  test("a piece reshaped keeps the sizes both shapes have", () => {
    const run = newPiece("straight", "Run", newId);
    const l = reshaped({ ...run, shape: { kind: "straight", lengthMm: 3111, depthMm: 655 } }, "l-run");
    expect(l.shape).toMatchObject({ kind: "l-run", lengthMm: 3111, depthMm: 655 });
    expect(l.name).toBe("Run");
    expect(reshaped({ ...run, name: "Straight run 2" }, "oval").name).toBe("Oval 2");
  });
});

describe("differences between two versions", () => {
  test("are said where they are", () => {
    const before = job();
    const after = structuredClone(before);
    colourCoat(after).filmMm = 1.2;
    after.pieces[0]!.name = "Counter";
    after.pieces.push(newPiece("round", "Table", newId));
    expect(describeChanges(before, after)).toEqual([
      { where: "job", before: "none", after: "Table" },
      { where: "Palm blend, veins late · film", before: "1.00 mm", after: "1.20 mm" },
    ]);
    expect(describeChanges(before, structuredClone(before))).toEqual([]);
  });
});
