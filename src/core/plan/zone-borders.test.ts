import type { CoatColour } from "../batch/coat-colour";
import { colourantNamed, colourFrom } from "../colour/starter-colours";
import { measurePiece } from "../geometry/measure";
import { newPiece } from "../geometry/new-piece";
import type { Barrier } from "../geometry/zones/division";
import { newCoat } from "../job/new-job";
import type { Coat } from "../schedule/coat";
import { newId } from "./testing/sample";
import { zoneMeetings } from "./zone-borders";

const panel = (barrier?: Barrier) => {
  const found = measurePiece({
    ...newPiece("rectangle", "Panel", newId),
    id: "panel",
    shape: { kind: "rectangle", lengthMm: 1000, depthMm: 600 },
    division: {
      rest: { id: "rest", name: "Field" },
      dividers: [
        {
          id: "d",
          drawn: { kind: "shape", shape: { kind: "round", xMm: 500, yMm: 300, diameterMm: 240 } },
          zones: [{ id: "leaf", name: "Leaf" }],
          ...(barrier && { barrier }),
        },
      ],
    },
  });
  if (!found.ok) throw new Error(found.faults[0]?.message);
  return found.measured;
};
const colour = (name: string, placeIds?: string[]): CoatColour => ({
  ...colourFrom(colourantNamed(name), name, 0.5),
  ...(placeIds && { placeIds }),
});
const coat = (
  name: string,
  zones?: string[],
  colours = [colour("Ink black"), colour("Flat white")],
): Coat => ({
  ...newCoat("colour", name, null, newId),
  name,
  colours,
  ...(zones && { zonesByPiece: { panel: zones } }),
});
const both = () => [colour("Ink black", ["leaf"]), colour("Flat white", ["rest"])];

test("two colours side by side melt, one colour over both says nothing, behind tape they are held", () => {
  const split = coat("Split", undefined, both());
  expect(zoneMeetings(split, [split], [panel()])).toMatchObject([{ how: "melt", piece: "Panel" }]);
  const whole = coat("Whole");
  expect(zoneMeetings(whole, [whole], [panel()])).toEqual([]);
  const [held] = zoneMeetings(split, [split], [panel({ kind: "tape", widthMm: 25 })]);
  expect(held).toMatchObject({
    how: "held",
    barrier: { kind: "tape" },
    lengthMm: expect.closeTo(Math.PI * 240, -1),
  });
});

test("a coat that runs up to a zone: which coat was there before, or comes later, or none", () => {
  const [leaf, field] = [coat("Leaf first", ["leaf"]), coat("Field next", ["rest"])];
  const under = coat("Base");
  expect(zoneMeetings(field, [under, leaf, field], [panel()])).toMatchObject([
    { piece: "Panel", zones: ["Field", "Leaf"], how: "before", coat: "Leaf first" },
  ]);
  expect(zoneMeetings(leaf, [under, leaf, field], [panel()])).toMatchObject([
    { piece: "Panel", zones: ["Leaf", "Field"], how: "later", coat: "Field next" },
  ]);
  expect(zoneMeetings(leaf, [under, leaf], [panel()])).toMatchObject([
    { piece: "Panel", zones: ["Leaf", "Field"], how: "bare" },
  ]);
});
