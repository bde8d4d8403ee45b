import fc from "fast-check";
import type { PourEvent } from "../pour/pour-events";
import { answerKey, inspectionOf, lookKey } from "./inspection";

const at = (minute: number) => new Date(Date.UTC(2026, 4, 4, 9, minute)).toISOString();
const place = { pieceId: "p", xMm: 10, yMm: 20 };
const EVENTS: PourEvent[] = [
  { id: "l1", at: at(1), kind: "looked", when: "wet", item: "cover", ok: false },
  { id: "l2", at: at(2), kind: "looked", when: "wet", item: "cover", ok: true },
  { id: "l3", at: at(3), kind: "looked", when: "cured", item: "cover", ok: false },
  { id: "l4", at: at(4), kind: "looked", when: "cured", item: "dust", ok: true },
  { id: "l5", at: at(5), kind: "looked", when: "cured", item: "dust", ok: null },
  // A photo may come before the entry of its pin: a device sends what it has.
  { id: "n1", at: at(6), kind: "note", stepId: null, text: "", pictureId: "pic", pinId: "pin1" },
  {
    id: "pin1",
    at: at(7),
    kind: "pin",
    when: "cured",
    fault: "nibs",
    place,
    coatId: "c",
    sizeMm: 2,
    text: "hair",
  },
  { id: "end", at: at(8), kind: "pin-ends", pinId: "pin1", how: "mended" },
  { id: "c1", at: at(9), kind: "comb", place, coatId: "c", wetMm: 1, dryMm: 1.2 },
  { id: "c2", at: at(10), kind: "comb", place, coatId: "c", wetMm: null, dryMm: 0.1 },
  { id: "c3", at: at(11), kind: "comb-ends", combId: "c1" },
  { id: "r1", at: at(11), kind: "photo-read", pieceId: "p", when: "cured", looks: [] },
  { id: "a1", at: at(12), kind: "answer", fault: "nibs", coatId: "c", evidence: "sandingNear", u: 1 },
  { id: "a2", at: at(13), kind: "answer", fault: "nibs", coatId: "c", evidence: "sandingNear", u: null },
];

test("of one thing what was said last counts; a pin has its photo and its end, a reading that was taken back is gone", () => {
  const { looked, pins, combs, photos, answers } = inspectionOf(EVENTS);
  expect(looked.get(lookKey("wet", "cover"))?.ok).toBe(true);
  expect(looked.get(lookKey("cured", "cover"))?.ok).toBe(false);
  expect(looked.has(lookKey("cured", "dust"))).toBe(false);
  expect(pins).toEqual([expect.objectContaining({ id: "pin1", pictureIds: ["pic"], fault: "nibs" })]);
  expect(pins[0]?.end?.how).toBe("mended");
  expect(combs.map(({ id }) => id)).toEqual(["c2"]);
  expect(photos).toEqual([{ id: "r1", at: at(11), pieceId: "p", when: "cured", looks: [] }]);
  expect(answers.get(answerKey({ fault: "nibs", coatId: "c", evidence: "sandingNear" }))).toBeNull();
});

test("in whatever order entries arrive, and sent twice, it is the same", () => {
  const once = inspectionOf(EVENTS);
  fc.assert(
    fc.property(fc.shuffledSubarray(EVENTS, { minLength: EVENTS.length }), (shuffled) => {
      expect(inspectionOf([...shuffled, ...shuffled.slice(0, 4)])).toEqual(once);
    }),
  );
});
