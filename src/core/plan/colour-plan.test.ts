import { colourFrom, colourantNamed } from "../colour/starter-colours";
import { mixedFrom, type CoatColour } from "../batch/coat-colour";
import { ciede2000 } from "../colour/ciede2000";
import { opticsOf } from "../colour/colour-card";
import { starterColours, STARTER_COLOURS } from "../colour/starter-colours";
import { hidingOf, lookSpread, mixLook } from "../colour/mix-look";
import { hueOf, labOfHex } from "../colour/spaces";
import { even } from "../colour/spectrum";
import { newCoat } from "../job/new-job";
import { worstOf } from "../colour/lamps";
import {
  colourPlan as planColours,
  differenceFinished,
  differenceFrom,
  mixPartsOf,
  underLamps,
} from "./colour-plan";

let made = 0;
const id = () => `id-${(made += 1)}`;
const shelf = starterColours(id);
const byId = new Map(shelf.map((card) => [card.id, card]));
const named = (name: string) => {
  const card = shelf.find((colourant) => colourant.name === name);
  if (!card) throw new Error(name);
  return card;
};
const mix = (doses: [string, number][], share = 1): CoatColour => ({
  ...mixedFrom(
    colourFrom(colourantNamed("Bone white"), id(), share),
    doses.map(([name, gPer100G]) => ({
      cardId: named(name).id,
      name,
      gPer100G,
      measure: named(name).measure,
    })),
  ),
});
const coat = (kind: "base" | "colour" | "clear", colours: CoatColour[], filmMm = 1) => ({
  ...newCoat(kind, kind, null, id),
  colours,
  filmMm,
});
const black = () => coat("base", [mix([["Black paste", 2]])], 0.5);
const colourPlan = (...of: Parameters<typeof planColours>) => planColours(...of).coats;
const clear = () => colourFrom(colourantNamed("Clear"), id(), 1);

describe("the shelf that a shop starts with", () => {
  test("about 25 generic colourants, all of a known look but the spray paint, none rough", () => {
    expect(STARTER_COLOURS.length).toBeGreaterThanOrEqual(25);
    expect(shelf.filter((card) => opticsOf(card) === null).map((card) => card.kind)).toEqual(["spray-paint"]);
    expect(shelf.some((card) => opticsOf(card)?.trust.rough)).toBe(false);
    expect(new Set(shelf.map((card) => card.name)).size).toBe(shelf.length);
  });
  test("the optics of a card are worked out once", () => {
    const card = named("Phthalo blue paste");
    expect(opticsOf(card)).toBe(opticsOf(card));
  });
});

describe("a job's colours over what lies below", () => {
  test("two grams of white paste over black ghost; ten over a grey base do not (common practice, no source)", () => {
    const thin = mix([["White paste", 2]]);
    const [, over] = colourPlan({ ground: "mdf", coats: [black(), coat("colour", [thin], 1.1)] }, shelf);
    const hiding = hidingOf(over!.colours[0]!.parts, 1.1, over!.under.internal)!;
    expect(hiding.ghost.likely).toBeGreaterThan(4);
    expect(hiding.ghost.low).toBeLessThan(hiding.ghost.likely);
    expect(hiding.ghost.high).toBeGreaterThan(hiding.ghost.likely);
    expect(hiding.unseenFilmMm!.likely).toBeGreaterThan(1.1);
    // Twice as strong hides at half the film, half as strong at twice.
    expect(hiding.unseenFilmMm!.low / hiding.unseenFilmMm!.likely).toBeCloseTo(0.5, 3);
    expect(hiding.unseenFilmMm!.high / hiding.unseenFilmMm!.likely).toBeCloseTo(2, 3);
    const full = mixPartsOf(mix([["White paste", 10]]), byId);
    expect(hidingOf(full, 1.1, over!.under.internal)!.ghost.likely).toBeLessThan(1);
    // Hiding goes by load times film: at the film named the ground is just not seen.
    const there = hidingOf(over!.colours[0]!.parts, hiding.unseenFilmMm!.likely, over!.under.internal)!;
    expect(there.ghost.likely).toBeCloseTo(1, 2);
  });
  test("a clear coat changes nothing of what is below, shimmer included", () => {
    const silver = coat("colour", [mix([["Silver mica", 2]])]);
    const without = colourPlan({ ground: "primed", coats: [black(), silver] }, shelf);
    const job = { ground: "primed" as const, coats: [black(), silver, coat("clear", [clear()], 1.2)] };
    const looks = colourPlan(job, shelf);
    expect(ciede2000(looks[2]!.average.lab, without[1]!.average.lab)).toBeLessThan(1e-6);
    expect(planColours(job, shelf).finished.lab[0]).toBeCloseTo(without[1]!.average.lab[0], 6);
  });
  test("under daylight the finished top is as far from a target as its one number says; under other lamps it is not", () => {
    const plum = mix([
      ["Phthalo blue paste", 0.4],
      ["Red oxide paste", 1.5],
      ["White paste", 4],
    ]);
    const looks = planColours(
      { ground: "mdf", coats: [black(), coat("colour", [plum]), coat("clear", [clear()])] },
      shelf,
    );
    for (const target of [labOfHex("#8C6A7A"), labOfHex("#C9C4B8")] as const) {
      const under = underLamps(looks, target);
      expect(under.map(({ lamp }) => lamp)).toEqual(["D65", "A", "F11", "F12", "F2"]);
      expect(under[0]!.difference).toBeCloseTo(differenceFinished(looks, target)!.likely, 1);
    }
    const own = underLamps(looks, looks.finished.lab);
    expect(own[0]!.difference).toBeLessThan(0.05);
    // Blue with red is made otherwise than the evenest of its colour.
    expect(worstOf(own)!.difference).toBeGreaterThan(0.5);
  });
  test("how far it may lie from a target reaches below and above the likely, and never below nothing", () => {
    const looks = planColours(
      {
        ground: "mdf",
        coats: [
          coat("colour", [
            mix([
              ["White paste", 3],
              ["Red oxide paste", 1],
            ]),
          ]),
        ],
      },
      shelf,
    );
    const far = differenceFinished(looks, labOfHex("#2A5A8C"))!;
    expect(far.low).toBeLessThan(far.likely);
    expect(far.high).toBeGreaterThan(far.likely);
    const on = differenceFinished(looks, looks.finished.lab)!;
    expect(on.likely).toBeLessThan(0.05);
    expect(on.low).toBe(0);
  });
  test("a typed colour is its hex; an unknown pigment is named and left out", () => {
    const plain = colourFrom(colourantNamed("Sage"), id(), 0.5);
    const sprayed = { ...mix([["Black spray paint", 2]]), share: 0.5 };
    const [only] = colourPlan({ ground: "mdf", coats: [coat("colour", [plain, sprayed])] }, shelf);
    expect(only!.colours[0]!.look).toBeNull();
    expect(ciede2000(only!.colours[0]!.lab, labOfHex(plain.hex))).toBeLessThan(1e-6);
    expect(only!.colours[1]!.look!.unknownIds).toEqual([named("Black spray paint").id]);
  });
  test("a card that is gone is unknown, and does not stop the others", () => {
    const gone = mix([["White paste", 4]]);
    const [only] = colourPlan({ ground: "mdf", coats: [coat("colour", [gone])] }, []);
    expect(only!.colours[0]!.look!.unknownIds).toHaveLength(1);
  });
  test("the average of a coat is by the shares of its colours", () => {
    const white = { ...mix([["White paste", 8]]), share: 0.5 };
    const ink = { ...mix([["Black paste", 5]]), share: 0.5 };
    const [, both] = colourPlan({ ground: "mdf", coats: [black(), coat("colour", [white, ink])] }, shelf);
    // Half white and half black are far lighter than their middle: light adds up (L* 76, reference).
    expect(both!.average.lab[0]).toBeGreaterThan(68);
    expect(both!.average.lab[0]).toBeLessThan(76);
  });
});

describe("how far from a target", () => {
  const target = [72, 1, 6] as const;
  const of = (colours: CoatColour[]) =>
    differenceFrom(planColours({ ground: "mdf", coats: [coat("colour", colours)] }, shelf).coats[0]!, target);
  test("the likely difference is that of the average, and lies within its spread", () => {
    const colours = [
      {
        ...mix([
          ["White paste", 5],
          ["Black paste", 0.1],
        ]),
        share: 0.7,
      },
      { ...mix([["Red oxide paste", 2]]), share: 0.3 },
    ];
    const [only] = planColours({ ground: "mdf", coats: [coat("colour", colours)] }, shelf).coats;
    const spread = of(colours);
    expect(spread.likely).toBeCloseTo(ciede2000(only!.average.lab, target), 9);
    expect(spread.low).toBeLessThan(spread.likely);
    expect(spread.high).toBeGreaterThan(spread.likely + 1);
  });
  test("of colours that are only typed nothing is varied", () => {
    const spread = of([colourFrom(colourantNamed("Sage"), id(), 1)]);
    expect([spread.low, spread.high]).toEqual([spread.likely, spread.likely]);
  });
});

describe("metallics and dyes among others", () => {
  test("white kills a silver; a breath of black deepens it", () => {
    const seen = (doses: [string, number][]) =>
      mixLook(mixPartsOf(mix(doses), byId), 1, even(0.02)).metallic!;
    const pure = seen([["Silver mica", 2]]);
    expect(pure.visible).toBeGreaterThan(0.95);
    expect(
      seen([
        ["Silver mica", 2],
        ["White paste", 2],
      ]).visible,
    ).toBeLessThan(0.6);
    const deepened = seen([
      ["Silver mica", 2],
      ["Black paste", 0.05],
    ]);
    expect(deepened.flop[0]).toBeLessThan(pure.flop[0] - 5);
    expect(deepened.flopIndex).toBeGreaterThan(pure.flopIndex);
  });
  test("a blue dye over white is blue, and over black cannot be seen", () => {
    const parts = mixPartsOf(mix([["Blue dye", 0.3]]), byId);
    const overWhite = mixLook(parts, 1, even(0.8));
    expect(hueOf(overWhite.lab)).toBeGreaterThan(230);
    expect(hueOf(overWhite.lab)).toBeLessThan(300);
    expect(mixLook(parts, 1, even(0.01)).lab[0]).toBeLessThan(5);
    expect(hidingOf(parts, 1, even(0.8))).toBeNull();
  });
  test("the spread names the colourant that matters: the black in a white", () => {
    const parts = mixPartsOf(
      mix([
        ["White paste", 6],
        ["Black paste", 0.05],
      ]),
      byId,
    );
    const spread = lookSpread(parts, 2, even(0.5));
    expect(spread.difference).toBeGreaterThan(2);
    expect([named("Black paste").id, named("White paste").id]).toContain(spread.partId);
    expect(lookSpread([], 1, even(0.5)).partId).toBeNull();
  });
});
