import fc from "fast-check";
import { heardScale, NEW_SESSION, type NextLine, type WeighSession, type WeighShown } from "./weigh-session";

const A: NextLine = { id: "A", vesselId: "pot", targetG: 201, toleranceG: 2 };
const B: NextLine = { id: "B", vesselId: "pot", targetG: 171, toleranceG: 2 };
const DOSE: NextLine = { id: "white", vesselId: "cup", targetG: 11, toleranceG: 0.2 };

/** A bench: lines are asked for in their order, each as soon as the one before it is taken; ten readings a second. */
function bench(lines: NextLine[]) {
  let session: WeighSession = NEW_SESSION;
  let atMs = 0;
  const taken: [string, number][] = [];
  let shown: WeighShown | null = null;
  const show = (grams: number, seconds: number) => {
    for (let n = 0; n < 10 * seconds; n += 1) {
      atMs += 100;
      const line = lines[taken.length] ?? null;
      const heard = heardScale(session, { grams, stable: null, atMs }, line, 0.1);
      ({ session, shown } = heard);
      if (heard.taken) taken.push([heard.taken.id, heard.taken.grams]);
    }
  };
  return { show, taken, shown: () => shown };
}

test("a vessel is put on and tared, then each line follows on top of the one before it", () => {
  const { show, taken, shown } = bench([A, B]);
  show(84, 2);
  expect(shown()).toEqual({ kind: "tare", grams: 84 });
  show(0, 2);
  show(120, 2);
  expect(taken).toEqual([]);
  expect(shown()).toMatchObject({ kind: "pouring", toGoG: 81 });
  show(201.2, 2);
  expect(taken).toEqual([["A", 201.2]]);
  show(372.2, 2);
  expect(taken).toEqual([
    ["A", 201.2],
    ["B", expect.closeTo(171, 6)],
  ]);
});
test("what is over is taken as it is, once, however long it stands there", () => {
  const { show, taken } = bench([A]);
  show(0, 2);
  show(230, 20);
  expect(taken).toEqual([["A", 230]]);
});
test("another vessel is tared anew: what stands on the scale is none of it", () => {
  const { show, taken, shown } = bench([A, DOSE]);
  show(0, 2);
  show(201, 2);
  show(260, 3);
  expect(taken).toEqual([["A", 201]]);
  expect(shown()).toMatchObject({ kind: "tare" });
  show(0, 2);
  show(11, 2);
  expect(taken).toHaveLength(2);
});
test("the same part of the next batch is taken like that of the first", () => {
  const { show, taken } = bench([A, { ...A, vesselId: "second pot" }]);
  show(0, 2);
  show(201, 2);
  show(0, 2);
  show(201, 2);
  expect(taken).toEqual([
    ["A", 201],
    ["A", 201],
  ]);
});
test("tared between two lines it counts from nothing; lifted and put back, where it was", () => {
  const { show, taken, shown } = bench([A, B]);
  show(0, 2);
  show(201, 2);
  show(0, 2);
  show(171, 2);
  expect(taken.map(([id]) => id)).toEqual(["A", "B"]);
  const other = bench([A]);
  other.show(0, 2);
  other.show(100, 2);
  other.show(-84, 1);
  expect(other.shown()).toEqual({ kind: "lifted" });
  other.show(201, 2);
  expect(other.taken).toEqual([["A", 201]]);
  expect(shown()).toBeNull();
});
test("however it is poured, what is taken is what lay on the scale, and never less than is enough", () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.5, max: 60, noNaN: true }), { minLength: 1, maxLength: 30 }),
      (pours) => {
        const { show, taken } = bench([A]);
        show(0, 2);
        let on = 0;
        for (const poured of pours) {
          if (taken.length > 0) break;
          on = Math.round(10 * (on + poured)) / 10;
          show(on, 2);
        }
        if (taken.length === 0) return on < A.targetG - A.toleranceG;
        const [[, grams]] = taken as [[string, number]];
        return grams === on && grams >= A.targetG - A.toleranceG;
      },
    ),
  );
});
