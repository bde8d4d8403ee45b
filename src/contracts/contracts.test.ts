import fc from "fast-check";
import { mixedFrom } from "@/core/batch/coat-colour";
import { derivePlan } from "@/core/plan/derive-plan";
import { emptyJob, newCoat } from "@/core/job/new-job";
import { withTechnique } from "@/core/job/techniques";
import { TECHNIQUE_IDS } from "@/core/job/technique-list";
import { MOST_IN_CUP } from "@/core/batch/coat-colour";
import { MOST_MIX_ML } from "@/core/batch/given";
import {
  giveAmount,
  giveCup,
  giveCups,
  giveEachCup,
  giveEqual,
  giveFilm,
  giveShare,
  keepable,
} from "@/core/schedule/amounts";
import { COAT_WORDS, type Coat, type CoatKind } from "@/core/schedule/coat";
import { runSheet } from "@/core/pour/run-sheet";
import { sampleJob } from "@/core/job/sample-job";
import { starterCards } from "@/core/cure/starter-cards";
import { jobDocumentSchema } from "./job-document";
import { jobFields } from "./jobs";
import { firstRunFields, signInFields } from "./people";
import { pourEventSchema } from "./pours";
import { resinCardFields } from "./resin-card";
import { anyDocument } from "./testing/any-of";

let made = 0;
const newId = () => `00000000-0000-4000-8000-${String((made += 1)).padStart(12, "0")}`;
const cards = starterCards(newId);
const job = () => sampleJob(cards, newId);
const refused = (change: (draft: ReturnType<typeof job>) => void) => {
  const draft = job();
  change(draft);
  const read = jobDocumentSchema.safeParse(draft);
  return read.success ? null : read.error.issues[0]?.path.join(".");
};

describe("the job document", () => {
  test("an empty one and a full one are read unchanged", () => {
    expect(jobDocumentSchema.parse(emptyJob())).toEqual(emptyJob());
    const full = job();
    expect(jobDocumentSchema.parse(JSON.parse(JSON.stringify(full)))).toEqual(full);
  });
  test.each<[string, (draft: ReturnType<typeof job>) => void]>([
    ["format", (draft) => void ((draft as { format: number }).format = 2)],
    ["coats.2.colours", (draft) => void (draft.coats[2]!.colours[0]!.share = 0.9)],
    ["coats.0.filmMm", (draft) => void (draft.coats[0]!.filmMm = 0)],
    ["pieces.0.count", (draft) => void (draft.pieces[0]!.count = 1.5)],
    [
      "pieces.0.shape.lengthMm",
      (draft) => void (draft.pieces[0]!.shape = { kind: "straight", lengthMm: -1, depthMm: 5 }),
    ],
    ["coats.1.resinCardId", (draft) => void (draft.coats[1]!.resinCardId = "../../etc")],
    ["coats.2.colours.0.hex", (draft) => void (draft.coats[2]!.colours[0]!.hex = "url(x)")],
    ["work.people", (draft) => void (draft.work.people = 0)],
    ["notes", (draft) => void (draft.notes = "x".repeat(5000))],
  ])("is refused at %s", (path, change) => expect(refused(change)).toBe(path));
  test("whatever is given of an amount, and edited from what followed, can be saved", () => {
    const whole = fc.double({ min: 0, max: 1, noNaN: true });
    /** Between what can be typed, all magnitudes alike. */
    const between = (least: number, most: number) => whole.map((at) => least * (most / least) ** at);
    const edit = fc.oneof(
      between(0.1, MOST_MIX_ML).map((ml) => (coat: Coat) => giveCup(coat, coat.colours[0]!.id, ml)),
      between(0.1, MOST_MIX_ML).map(
        (ml) => (coat: Coat) =>
          giveCups(
            coat,
            coat.colours.map(() => ml),
          ),
      ),
      between(0.5, MOST_MIX_ML).map((ml) => (coat: Coat) => giveAmount(coat, { by: "mixed", ml })),
      between(0.01, MOST_IN_CUP).map((count) => (coat: Coat) => giveEachCup(coat, count, "gram")),
      whole.map((share) => (coat: Coat) => giveShare(coat, coat.colours[1]!.id, share)),
      between(0.02, 60).map((filmMm) => (coat: Coat) => giveFilm(coat, filmMm)),
      fc.constant((coat: Coat) => giveEqual(coat)),
    );
    fc.assert(
      fc.property(
        fc.array(edit, { minLength: 1, maxLength: 5 }),
        between(30, 30_000),
        fc.constantFrom<CoatKind>("colour", "fill"),
        (edits, sizeMm, kind) => {
          let draft = job();
          draft.pieces[0]!.shape =
            kind === "fill"
              ? {
                  kind: "mould",
                  outline: { kind: "rectangle", lengthMm: sizeMm, depthMm: sizeMm },
                  depthMm: 20,
                  draftDeg: 0,
                }
              : { kind: "straight", lengthMm: sizeMm, depthMm: sizeMm };
          draft.coats = [{ ...draft.coats[2]!, kind }];
          for (const step of edits) {
            const out = derivePlan(draft, cards).coats[0]!.coat;
            draft = { ...draft, coats: [keepable(step(out))] };
            const read = jobDocumentSchema.safeParse(draft);
            expect(read.error?.issues[0]).toBeUndefined();
          }
        },
      ),
      { numRuns: 120, endOnFailure: true },
    );
  });
  test("every look and every usual coat that can be taken can be saved", () => {
    for (const technique of TECHNIQUE_IDS)
      for (const kind of Object.keys(COAT_WORDS) as CoatKind[]) {
        const draft = job();
        draft.coats = [
          withTechnique(newCoat(kind, "Coat", null, newId), technique, newId),
          newCoat(kind, "Usual", null, newId),
        ];
        const read = jobDocumentSchema.safeParse(draft);
        expect([technique, kind, read.error?.issues[0]?.path.join(".")]).toEqual([
          technique,
          kind,
          undefined,
        ]);
      }
  });
  test("numbers that are none do not get in", () => {
    expect(refused((draft) => void (draft.coats[0]!.filmMm = NaN))).toBe("coats.0.filmMm");
    expect(refused((draft) => void (draft.work.tempC = Infinity))).toBe("work.tempC");
  });
  test("any JSON is read or refused, never thrown at", () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => typeof jobDocumentSchema.safeParse(value).success === "boolean"),
    );
  });
  test("unknown factors and edges are refused", () => {
    expect(
      refused((draft) => void ((draft.factors as Record<string, number>)["__proto_"] = 1)),
    ).not.toBeNull();
    expect(
      refused(
        (draft) =>
          void ((draft.pieces[0]!.edges as Record<string, unknown>)["top"] = {
            treatment: "face",
            heightMm: 1,
            roundingMm: 0,
          }),
      ),
    ).not.toBeNull();
  });
});

describe("forms say what is wrong in words", () => {
  const words = (read: { success: boolean; error?: { issues: { message: string }[] } }) =>
    read.success ? null : read.error?.issues[0]?.message;
  test("sign-in", () => {
    expect(words(signInFields.safeParse({ email: "nobody", password: "x" }))).toBe(
      "That is not an e-mail address.",
    );
    expect(words(signInFields.safeParse({ email: "a@b.example", password: "" }))).toBe("Type your password.");
    expect(signInFields.parse({ email: "  Ines@Yard.EXAMPLE ", password: "x" }).email).toBe(
      "ines@yard.example",
    );
  });
  test("first run", () => {
    expect(
      words(
        firstRunFields.safeParse({ shopName: " ", name: "x", email: "a@b.example", password: "long enough" }),
      ),
    ).toBe("Type the name of the shop.");
    expect(
      words(firstRunFields.safeParse({ shopName: "x", name: "x", email: "a@b.example", password: "short" })),
    ).toBe("At least 10 letters or figures.");
  });
  test("a job", () => {
    const fields = { name: "Bar", client: "", status: "planning", dueOn: null };
    expect(jobFields.safeParse(fields).success).toBe(true);
    expect(words(jobFields.safeParse({ ...fields, name: "a\u0007b" }))).toBe(
      "That holds a sign that cannot be shown.",
    );
    expect(words(jobFields.safeParse({ ...fields, dueOn: "2026-02-30" }))).toBe(
      "Write the date as year-month-day.",
    );
  });
  test("a resin card", () => {
    const { id: _id, ...fields } = cards[0]!;
    expect(resinCardFields.safeParse(fields).success).toBe(true);
    expect(words(resinCardFields.safeParse({ ...fields, ratioB: 0 }))).toBe(
      "A two-part resin needs a part B.",
    );
    expect(words(resinCardFields.safeParse({ ...fields, recoatFromH: 9, recoatUntilH: 8 }))).toBe(
      "The window ends before it begins.",
    );
    expect(words(resinCardFields.safeParse({ ...fields, densityAGPerMl: 40 }))).toBe(
      "Too large for the density of A.",
    );
  });
});

test("a pour event keeps only what belongs to its kind", () => {
  const event = {
    id: newId(),
    at: "2026-05-04T09:00:00.000Z",
    kind: "left",
    coatId: "c",
    ml: 12,
    grams: 99,
    evil: "x",
  };
  expect(pourEventSchema.parse(event)).toEqual({
    id: event.id,
    at: event.at,
    kind: "left",
    coatId: "c",
    ml: 12,
  });
  expect(pourEventSchema.safeParse({ ...event, ml: -1 }).success).toBe(false);
  expect(pourEventSchema.safeParse({ ...event, at: "yesterday" }).success).toBe(false);
});

test("every line of a mixed colour's weighing goes over the wire, by both mixing methods", () => {
  for (const school of ["clear-first", "colour-into-a"] as const) {
    const draft = job();
    const colour = draft.coats[2]!;
    colour.school = school;
    colour.colours = colour.colours.map((colour) =>
      mixedFrom(
        colour,
        [1, 2, 3].map((gPer100G) => ({
          cardId: newId(),
          name: `Paste ${gPer100G}`,
          gPer100G,
          measure: { unit: "gram" as const },
        })),
      ),
    );
    expect(jobDocumentSchema.parse(JSON.parse(JSON.stringify(draft)))).toEqual(draft);
    const steps = runSheet(derivePlan(draft, cards), "metric").filter((step) => step.coatId === colour.id);
    const lines = steps.flatMap((step) => step.weigh.map((line) => ({ ...line, stepId: step.id })));
    expect(new Set(lines.map(({ line }) => line)).size).toBe(lines.length);
    expect(lines.filter(({ line }) => line.startsWith("dose-"))).toHaveLength(3 * colour.colours.length);
    for (const { line, stepId, grams } of lines) {
      const event = { id: newId(), at: new Date(0).toISOString(), kind: "weighed", stepId, line, grams };
      expect(pourEventSchema.parse(event)).toEqual(event);
    }
  }
});

describe("what the core cannot hold", () => {
  const free = (
    starts: number[],
    points: [number, number][] = [
      [0, 0],
      [600, 0],
      [600, 400],
      [0, 400],
    ],
  ) => ({
    ...emptyJob(),
    pieces: [
      { id: "p", name: "P", count: 1, shape: { kind: "free", points, starts }, edges: {}, cutOuts: [] },
    ],
  });
  const refusal = (document: unknown) => {
    const read = jobDocumentSchema.safeParse(document);
    return read.success ? null : read.error.issues[0]?.message;
  };
  test.each<[string, number[], string | null]>([
    ["in order", [0, 2], null],
    ["out of order", [2, 0], "The edges of an outline begin one after the other."],
    ["twice the same", [0, 0], "The edges of an outline begin one after the other."],
    ["beyond the corners", [0, 4], "An edge of an outline begins at one of its corners."],
  ])("starts of edges %s", (_, starts, words) => expect(refusal(free(starts))).toBe(words));

  test("more corners, pulls and veins than are worked out in time are told in words", () => {
    const coast = (count: number): [number, number][] =>
      Array.from({ length: count }, (_, at) => [
        1000 * Math.cos((2 * Math.PI * at) / count),
        1000 * Math.sin((2 * Math.PI * at) / count),
      ]);
    const two = free([0], coast(16_000));
    const other = { ...two.pieces[0], id: "q" };
    expect(refusal(two)).toBeNull();
    expect(refusal({ ...two, pieces: [...two.pieces, other] })).toMatch(/30000 corners together/);
    const vein = {
      id: "v",
      seed: 1,
      thickMm: 5,
      points: [
        [-90_000, 0],
        [90_000, 0],
      ],
    };
    const set = (veins: number) => ({
      id: "s",
      name: "S",
      coatId: "c",
      colourId: "k",
      angleDeg: 0,
      metresPerM2: 1,
      thickMm: 5,
      seed: 1,
      manner: { wander: 0, contrast: 0, branching: 0, hairs: 0, hazeMm: 0 },
      veins: Array.from({ length: veins }, (_, at) => ({ ...vein, id: `v${at}` })),
    });
    const map = (veins: number) => ({ ...emptyJob(), veinMap: { places: {}, sets: [set(veins)] } });
    expect(refusal(map(20))).toBeNull();
    expect(refusal(map(30))).toMatch(/4000 m long together/);
  });

  test("whatever the contract allows is planned: nothing is thrown, nothing is NaN", () => {
    const ids = [1, 2, 3].map((one) => `0000000${one}-0000-4000-8000-000000000000`);
    const cards = starterCards(() => "")
      .slice(0, 3)
      .map((card, at) => ({ ...card, id: ids[at]! }));
    const seeds = Number(process.env["GAUGEBEAM_FUZZ"] ?? 400);
    for (let seed = 1; seed <= seeds; seed += 1) {
      const document = jobDocumentSchema.parse(anyDocument(jobDocumentSchema, seed));
      let plan: ReturnType<typeof derivePlan>;
      try {
        plan = derivePlan(document, cards);
        runSheet(plan, "us");
      } catch (failure) {
        throw new Error(`Seed ${seed}: ${(failure as Error).stack}`);
      }
      for (const { batched } of plan.coats)
        if (batched) expect([seed, Number.isFinite(batched.mixMl.likely)]).toEqual([seed, true]);
    }
  }, 120_000);
});
