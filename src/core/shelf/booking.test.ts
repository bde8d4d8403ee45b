import fc from "fast-check";
import { bookingsOf, type Booking } from "./booking";
import type { Lot } from "./lot";
import { lotState } from "./stock";
import { itemOf } from "./testing/items";
import { lotOf, type Told } from "./testing/lots";
import type { WeighedOut } from "./weighed-out";

const item = itemOf("i", { name: "Slow coating", cardId: "card" });
const AT = "2026-03-02T09:00:00.000Z";
const line = (grams: number, lot: string | null = null, id = "A"): WeighedOut => ({
  stepId: "s",
  line: id,
  at: AT,
  grams,
  cardId: "card",
  part: "A",
  lot,
});
const lots = (...more: Lot[]): Lot[] => [
  lotOf(1, "i", { A: 300 }, { facts: { bestBefore: "2026-02-01", number: "OLD 1" } }),
  lotOf(2, "i", { A: 300 }, { facts: { bestBefore: "2026-05-01", number: "K-77" } }),
  lotOf(3, "i", { A: 300 }, { facts: { bestBefore: "2026-09-01" } }),
  ...more,
];
/** The lots with what was booked written in their books. */
const written = (of: readonly Lot[], bookings: readonly Booking[]): Lot[] =>
  of.map((lot) => ({
    ...lot,
    entries: [
      ...lot.entries,
      ...bookings
        .filter(({ lotId }) => lotId === lot.id)
        .map(({ part, amount, from }, n) => ({
          ...({ kind: "took", part, amount, what: "poured", why: "", from } satisfies Told),
          id: `${lot.id} ${lot.entries.length + n}`,
          at: AT,
          by: "Ines",
        })),
    ],
  }));
const taken = ({ bookings }: { bookings: Booking[] }) => bookings.map(({ lotId, amount }) => [lotId, amount]);
const leftIn = (of: readonly Lot[]) => of.map((lot) => lotState(lot).left.get("A"));

test("the oldest that is in date; when it is empty the next; never one past its date", () =>
  expect(taken(bookingsOf("p", [line(200)], [item], lots()))).toEqual([["lot-2", 200]]));
test("what one bottle does not hold comes from the next as well", () =>
  expect(taken(bookingsOf("p", [line(400)], [item], lots()))).toEqual([
    ["lot-2", 300],
    ["lot-3", 100],
  ]));
test("the next line goes on where the one before it left off", () =>
  expect(taken(bookingsOf("p", [line(250), line(100, null, "A-2")], [item], lots()))).toEqual([
    ["lot-2", 250],
    ["lot-2", 50],
    ["lot-3", 50],
  ]));
test("what was said counts, by the shop's code or the maker's number, past its date or not", () => {
  expect(taken(bookingsOf("p", [line(200, "l3")], [item], lots()))).toEqual([["lot-3", 200]]);
  expect(taken(bookingsOf("p", [line(200, "k 77")], [item], lots()))).toEqual([["lot-2", 200]]);
  expect(taken(bookingsOf("p", [line(200, "L1-A")], [item], lots()))).toEqual([["lot-1", 200]]);
});
test("a lot that is not on the shelf, or none in date, is nobody's: it is told, not guessed", () => {
  const unknown = bookingsOf("p", [line(200, "9999")], [item], lots());
  expect([unknown.bookings, unknown.unplaced.map(({ weighed }) => weighed.lot)]).toEqual([[], ["9999"]]);
  const old = bookingsOf("p", [line(200)], [item], [lots()[0]!]);
  expect([old.bookings, old.unplaced.length]).toEqual([[], 1]);
});
test("what no item is for is not booked", () =>
  expect(bookingsOf("p", [{ ...line(5), cardId: "other" }], [item], lots())).toEqual({
    bookings: [],
    unplaced: [],
  }));
test("asked again it writes nothing; weighed anew it changes what it wrote; said later it moves there", () => {
  const first = written(lots(), bookingsOf("p", [line(400)], [item], lots()).bookings);
  expect(bookingsOf("p", [line(400)], [item], first).bookings).toEqual([]);
  const more = written(first, bookingsOf("p", [line(420)], [item], first).bookings);
  expect(leftIn(more)).toEqual([300, 0, 180]);
  const less = written(more, bookingsOf("p", [line(250)], [item], more).bookings);
  expect(leftIn(less)).toEqual([300, 50, 300]);
  const said = written(less, bookingsOf("p", [line(250, "L1")], [item], less).bookings);
  expect(leftIn(said)).toEqual([50, 300, 300]);
});
test("what somebody corrected in the book stays corrected when the pour is looked at again", () => {
  const first = written(lots(), bookingsOf("p", [line(200)], [item], lots()).bookings);
  const booked = first[1]!.entries.at(-1)!.id;
  const corrected = first.map((lot) =>
    lot.id === "lot-2"
      ? {
          ...lot,
          entries: [
            ...lot.entries,
            {
              id: "c",
              at: AT,
              by: "Ines",
              kind: "corrected" as const,
              entryId: booked,
              amount: 150,
              why: "",
            },
          ],
        }
      : lot,
  );
  expect(leftIn(corrected)).toEqual([300, 150, 300]);
  expect(bookingsOf("p", [line(200)], [item], corrected).bookings).toEqual([]);
});
test("what was weighed is booked, no more and no less", () =>
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 1, max: 500 }), fc.constantFrom(null, "L2", "L3")), {
        maxLength: 6,
      }),
      (weighed) => {
        const asked = weighed.map(([grams, lot], n) => line(grams, lot, `A-${n}`));
        const { bookings, unplaced } = bookingsOf("p", asked, [item], lots());
        const total = (list: readonly { amount: number }[]) =>
          list.reduce((all, { amount }) => all + amount, 0);
        const nobody = total(unplaced.map(({ weighed: { grams } }) => ({ amount: grams })));
        expect(total(bookings) + nobody).toBeCloseTo(
          asked.reduce((all, { grams }) => all + grams, 0),
          6,
        );
      },
    ),
  ));
