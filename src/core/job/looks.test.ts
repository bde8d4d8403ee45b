import { newPiece } from "../geometry/new-piece";
import { measurePiece } from "../geometry/measure";
import type { Piece } from "../geometry/piece";
import { zonesOf } from "../geometry/zones/division";
import { starterCards } from "../cure/starter-cards";
import type { JobDocument } from "./job";
import { looksThatDivide, withLook } from "./looks";
import { emptyJob, newCoat } from "./new-job";
import { TECHNIQUE_IDS, TECHNIQUES } from "./technique-list";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const [card] = starterCards(newId);
const panel: Piece = {
  ...newPiece("rectangle", "Panel", newId),
  shape: { kind: "rectangle", lengthMm: 1400, depthMm: 800 },
};
const job = (pieces: Piece[] = [panel]): JobDocument => ({
  ...emptyJob(),
  pieces,
  coats: [newCoat("base", "Base", card!.id, newId), newCoat("colour", "Colour", card!.id, newId)],
});
const taken = (look: (typeof TECHNIQUE_IDS)[number], from = job()) =>
  withLook(from, from.coats[1]!.id, look, newId);
const coatOf = ({ coats }: JobDocument) => coats[1]!;

test.each(TECHNIQUE_IDS)("%s fills the coat with the technique's colours, shares and passes", (look) => {
  const coat = coatOf(taken(look));
  expect(coat.colours.map(({ share }) => share)).toEqual(TECHNIQUES[look].colours.map(([, share]) => share));
  expect(coat.filmMm).toBe(TECHNIQUES[look].filmMm);
  expect(taken(look).pieces[0]!.division === undefined).toBe(!looksThatDivide.includes(look));
});

test.each(looksThatDivide)(
  "%s divides the piece: zones that are the piece, each with a colour, each colour with a zone",
  (look) => {
    const after = taken(look);
    const measured = measurePiece(after.pieces[0]!);
    if (!measured.ok) throw new Error(measured.faults[0]?.message);
    const { zones, topAreaMm2 } = measured.measured;
    expect(zones.reduce((sum, zone) => sum + zone.topAreaMm2, 0) / topAreaMm2).toBeCloseTo(1, 9);
    for (const { id, share } of zones) {
      expect(share).toBeGreaterThan(0.005);
      expect(coatOf(after).colours.some(({ placeIds }) => placeIds?.includes(id))).toBe(true);
    }
    for (const { placeIds } of coatOf(after).colours)
      expect(zones.some(({ id }) => placeIds?.includes(id))).toBe(true);
    const taped = after.pieces[0]!.division!.dividers.some(({ barrier }) => barrier);
    expect(coatOf(after).passes.some(({ kind }) => kind === "tape-pull")).toBe(taped);
  },
);

test("one look after another: the next one's zones, or none, take the place of the last one's", () => {
  const first = taken("two-fields");
  const second = taken("tide", first);
  expect(zonesOf(second.pieces[0]!.division!).map(({ name }) => name)).toEqual([
    "Sand",
    "Shallow",
    "Deep",
    "Foam",
  ]);
  expect(taken("palm-blend", second).pieces[0]).toEqual(panel);
});

test("what somebody divided stays, and so does a look's division that another coat goes by", () => {
  const own: Piece = {
    ...panel,
    division: {
      rest: { id: "r", name: "Rest" },
      dividers: [
        {
          id: "d",
          drawn: { kind: "shape", shape: { kind: "round", xMm: 300, yMm: 300, diameterMm: 200 } },
          zones: [{ id: "z", name: "Mine" }],
        },
      ],
    },
  };
  expect(taken("two-fields", job([own])).pieces[0]).toEqual(own);
  const first = taken("two-fields");
  const [zone] = zonesOf(first.pieces[0]!.division!);
  const named = {
    ...first,
    coats: [
      ...first.coats,
      { ...newCoat("clear", "Clear", card!.id, newId), zonesByPiece: { [panel.id]: [zone!.id] } },
    ],
  };
  expect(taken("palm-blend", named).pieces).toEqual(named.pieces);
});
