import fc from "fast-check";
import { filmLifeAt } from "./film-in-room";
import { fittedResin } from "./fitted-resin";
import { heatedLifeIn, heatLeft, heatReadOn } from "./heat";
import { starterCards } from "./starter-cards";
import type { FilmState, StateStart } from "./film-states";

let made = 0;
const [slow, fast] = starterCards(() => `id-${(made += 1)}`);
const from = (life: readonly StateStart[], state: FilmState) =>
  life.find((start) => start.state === state)!.fromMin;
/** A small art panel that is worked with a heat gun. */
const panel = { watt: 300, areaM2: 0.3, filmMm: 3, endsAtMin: 12 };
const gun = heatLeft({ ...panel, minutes: 8 });

test("a strongly heated film of a fast resin has about 15 minutes of work left (common practice, no source)", () => {
  const film = { resin: fittedResin(fast!), room: { kind: "constant", tempC: 23 } as const, mixedAtMin: 0 };
  const heavy = from(heatedLifeIn(film, [gun]), "heavy");
  const left = heavy.likely - gun.atMin;
  expect(left).toBeGreaterThan(10);
  expect(left).toBeLessThan(22);
  expect(heavy.likely).toBeLessThan(0.75 * from(filmLifeAt(film.resin, 23), "heavy").likely);
});

test("a torch in quick sweeps over a counter hardly shortens it (common practice, no source)", () => {
  const film = { resin: fittedResin(slow!), room: { kind: "constant", tempC: 22 } as const, mixedAtMin: 0 };
  const sweep = heatLeft({ watt: 200, areaM2: 1.6, minutes: 1, filmMm: 3, endsAtMin: 20 });
  expect(sweep.riseK.likely).toBeLessThan(1.5);
  const [with_, without] = [heatedLifeIn(film, [sweep]), filmLifeAt(film.resin, 22)];
  expect(from(with_, "gummy").likely).toBeGreaterThan(0.95 * from(without, "gummy").likely);
  expect(from(with_, "gummy").likely).toBeLessThan(from(without, "gummy").likely);
});

test("how much heat it was is part of the spread: it only widens it", () => {
  const film = { resin: fittedResin(fast!), room: { kind: "constant", tempC: 23 } as const, mixedAtMin: 0 };
  const sure = heatedLifeIn(film, [
    { ...gun, riseK: { low: gun.riseK.likely, likely: gun.riseK.likely, high: gun.riseK.likely } },
  ]);
  for (const [index, { fromMin }] of heatedLifeIn(film, [gun]).entries()) {
    expect(fromMin.low).toBeLessThanOrEqual(sure[index]!.fromMin.low + 1e-9);
    expect(fromMin.likely).toBeCloseTo(sure[index]!.fromMin.likely, 9);
    expect(fromMin.high).toBeGreaterThanOrEqual(sure[index]!.fromMin.high - 1e-9);
  }
});

test("a layer that is heated evenly and cools at its top: as a fine step by step sum, and never over what a hand stands", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 5, noNaN: true }),
      fc.double({ min: 0.5, max: 20, noNaN: true }),
      fc.double({ min: 1, max: 10, noNaN: true }),
      (areaM2, minutes, filmMm) => {
        const capacity = 1100 * 1800 * (filmMm / 1000) + 8000;
        let riseK = 0;
        for (let step = 0; step < 4000; step += 1)
          riseK += ((300 / areaM2 - 12 * riseK) / capacity) * ((minutes * 60) / 4000);
        const { riseK: told } = heatLeft({ watt: 300, areaM2, minutes, filmMm, endsAtMin: 0 });
        expect(told.likely).toBeLessThanOrEqual(60);
        expect(Math.abs(told.likely - Math.min(60, riseK))).toBeLessThan(0.01 * riseK + 1e-6);
        expect(told.low).toBeLessThanOrEqual(told.likely);
        expect(told.high).toBeGreaterThanOrEqual(told.likely);
      },
    ),
    { numRuns: 60 },
  );
});

describe("heat that the finisher has read", () => {
  const read = heatReadOn({ heatedToC: 42, heatHalfMin: 10, filmTempC: 24 }, 4)!;
  const of = (minutes: number) => heatLeft({ ...panel, minutes, read });

  test("a usual heating brings the film to what was read, and half of it is gone when the card says", () => {
    const heat = of(4);
    expect(heat.riseK.likely).toBeCloseTo(18, 9);
    expect(18 * Math.exp(-10 / heat.decayMin)).toBeCloseTo(9, 9);
  });
  test("its spread is narrower than that of heat nobody has read", () => {
    const width = ({ riseK }: { riseK: { low: number; likely: number; high: number } }) =>
      (riseK.high - riseK.low) / riseK.likely;
    expect(width(of(4))).toBeLessThan(width(heatLeft({ ...panel, minutes: 2 })));
  });
  test("longer is warmer, but less than in proportion, and never over what a hand stands", () => {
    expect(of(8).riseK.likely).toBeGreaterThan(of(4).riseK.likely);
    expect(of(8).riseK.likely).toBeLessThan(2 * of(4).riseK.likely);
    expect(of(500).riseK.high).toBeLessThanOrEqual(60);
  });
  test("a card that says nothing of it leaves what is usual", () => {
    expect(heatReadOn({ heatedToC: null, heatHalfMin: null, filmTempC: 24 }, 4)).toBeNull();
    expect(heatLeft({ ...panel, minutes: 8, read: null })).toEqual(gun);
  });
});
