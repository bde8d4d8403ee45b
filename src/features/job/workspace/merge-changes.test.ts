import fc from "fast-check";
import { newCoat } from "@/core/job/new-job";
import { onTopOf, withoutAt } from "./merge-changes";
import type { JobDocument } from "@/core/job/job";
import { sampleJob } from "@/core/job/sample-job";
import { starterCards } from "@/core/cure/starter-cards";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const base = JSON.parse(JSON.stringify(sampleJob(starterCards(newId), newId))) as JobDocument;
const changed = (edit: (draft: typeof base) => void) => {
  const draft = JSON.parse(JSON.stringify(base)) as typeof base;
  edit(draft);
  return draft;
};

describe("mine on top of theirs", () => {
  test("what I did not touch stays theirs, field by field", () => {
    const mine = changed((job) => void (job.coats[2]!.filmMm = 1.3));
    const theirs = changed((job) => {
      job.coats[2]!.name = "Their name";
      job.work.tempC = 24;
      job.notes = "theirs";
    });
    const merged = onTopOf(base, mine, theirs);
    expect(merged.coats[2]).toMatchObject({ filmMm: 1.3, name: "Their name" });
    expect(merged).toMatchObject({ notes: "theirs", work: { tempC: 24 } });
  });
  test("both changed the same: mine stands", () =>
    expect(
      onTopOf(
        base,
        changed((job) => void (job.notes = "mine")),
        changed((job) => void (job.notes = "theirs")),
      ).notes,
    ).toBe("mine"));
  test("coats that either added are there, coats that either took out are gone, also when they stand at the same place", () => {
    const [coat, other] = [newCoat("clear", "Mine", null, newId), newCoat("vein", "Theirs", null, newId)];
    const mine = changed((job) => {
      job.coats.splice(1, 1);
      job.coats.push(coat);
    });
    const theirs = changed((job) => {
      job.coats.splice(0, 1);
      job.coats.push(other);
    });
    expect(onTopOf(base, mine, theirs).coats.map(({ name }) => name)).toEqual([
      base.coats[2]!.name,
      base.coats[3]!.name,
      "Theirs",
      "Mine",
    ]);
  });
  test("the shares of a coat are never mixed of two: they sum to one", () => {
    const share = (by: number) =>
      changed((job) => {
        job.coats[2]!.colours[0]!.share += by;
        job.coats[2]!.colours[1]!.share -= by;
      });
    fc.assert(
      fc.property(
        fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        (a, b) => {
          const { colours } = onTopOf(base, share(a), share(b)).coats[2]!;
          expect(colours.reduce((sum, colour) => sum + colour.share, 0)).toBeCloseTo(1, 9);
        },
      ),
    );
  });
  test("nobody changed anything, or only one did: that one's document", () => {
    const other = changed((job) => void (job.work.people = 3));
    expect(onTopOf(base, base, other)).toEqual(other);
    expect(onTopOf(base, other, base)).toEqual(other);
  });
});

describe("all but what is refused", () => {
  test("a field is again what it was, the rest as typed", () => {
    const typed = changed((job) => {
      job.work.tempC = 95;
      job.notes = "typed later";
    });
    expect(withoutAt(typed, base, ["work", "tempC"])).toEqual(
      changed((job) => void (job.notes = "typed later")),
    );
  });
  test("a coat is found by its id, wherever it was moved; one that was just added is left out", () => {
    const typed = changed((job) => {
      job.coats.reverse();
      job.coats[1]!.filmMm = 500;
      job.coats.push({ ...newCoat("clear", "New", null, newId), filmMm: 500 });
    });
    const mended = withoutAt(typed, base, ["coats", "1", "filmMm"])!;
    expect(mended.coats[1]!.filmMm).toBe(base.coats[2]!.filmMm);
    expect(mended.coats[0]!.id).toBe(base.coats[3]!.id);
    expect(withoutAt(typed, base, ["coats", "4", "filmMm"])!.coats).toHaveLength(4);
  });
  test("nothing to put back is said", () => expect(withoutAt(base, base, ["notes"])).toBeNull());
});
