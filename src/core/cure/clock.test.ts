import fc from "fast-check";
import reference from "../reference/resin.json";
import { clockFamily, cureClock } from "./clock";
import { dewPointC } from "./dew-point";
import { cureSpeed } from "./kinetics";
import { filmTempC, roomTempC, type Room } from "./room";

const E = 55000;
const day: Room = { kind: "day", coldC: 14, coldAtMin: 5 * 60, warmC: 26, warmAtMin: 15 * 60 };

describe("the room", () => {
  test("a day is coldest and warmest at its handles, the same tomorrow, and never beyond them", () => {
    expect(roomTempC(day, 5 * 60)).toBe(14);
    expect(roomTempC(day, 15 * 60)).toBe(26);
    fc.assert(
      fc.property(fc.integer({ min: -5000, max: 50_000 }), (atMin) => {
        const tempC = roomTempC(day, atMin);
        expect(tempC).toBeGreaterThanOrEqual(14);
        expect(tempC).toBeLessThanOrEqual(26);
        expect(roomTempC(day, atMin + 1440)).toBeCloseTo(tempC, 9);
      }),
    );
  });
  test("warmest before coldest in the day, and both handles at one hour, are days too", () => {
    const night: Room = { kind: "day", coldC: 16, coldAtMin: 20 * 60, warmC: 24, warmAtMin: 6 * 60 };
    expect([roomTempC(night, 6 * 60), roomTempC(night, 20 * 60)]).toEqual([24, 16]);
    const odd: Room = { kind: "day", coldC: 16, coldAtMin: 600, warmC: 24, warmAtMin: 600 };
    expect(roomTempC(odd, 600 + 720)).toBeCloseTo(24, 9);
  });
  test("a logger is read between its readings and held at its ends; without one it is refused", () => {
    const logger: Room = {
      kind: "logger",
      readings: [
        [60, 20],
        [120, 22],
        [120, 25],
        [300, 19],
      ],
    };
    expect([0, 60, 90, 120, 210, 400].map((at) => roomTempC(logger, at))).toEqual([20, 20, 21, 25, 22, 19]);
    expect(() => roomTempC({ kind: "logger", readings: [] }, 0)).toThrow("without a reading");
  });
  test("a heat gun is warm at once and falls off", () => {
    const room: Room = { kind: "constant", tempC: 21 };
    const pulse = [{ atMin: 10, riseK: 30, decayMin: 4 }];
    expect(filmTempC(room, pulse, 9)).toBe(21);
    expect(filmTempC(room, pulse, 10)).toBe(51);
    expect(filmTempC(room, pulse, 14)).toBeCloseTo(21 + 30 / Math.E, 9);
  });
});

describe("the resin's clock", () => {
  test("against 24 °C it runs as the reference has it", () => {
    for (const [tempC, ratio] of Object.entries(reference.extra.clock_rel24)) {
      const clock = (temp: number) => cureClock({ kind: "constant", tempC: temp }, E, 0).thetaS(60);
      expect(clock(Number(tempC)) / clock(24)).toBeCloseTo(ratio, 6);
    }
  });
  test("over a day it is the sum of small steps (rectangles of a second), and its inverse finds the minute again", () => {
    const clock = cureClock(day, E, 540);
    let sum = 0;
    for (let second = 0; second < 20 * 3600; second += 1)
      sum += cureSpeed(roomTempC(day, 540 + (second + 0.5) / 60), E);
    expect(clock.thetaS(540 + 20 * 60) / sum).toBeCloseTo(1, 7);
    fc.assert(
      fc.property(
        fc.double({ min: 540, max: 9000, noNaN: true }),
        fc.double({ min: 1, max: 400_000, noNaN: true }),
        (from, theta) => {
          const until = clock.minuteOf(from, theta);
          expect(clock.thetaS(until) - clock.thetaS(from)).toBeCloseTo(theta, 1);
        },
      ),
    );
  });
  test("a family of clocks, interpolated, is each of them summed (within 1 %)", () => {
    const family = clockFamily(day, E, 540);
    const alike = (a: number, b: number) => expect(Math.abs(a / b - 1)).toBeLessThan(0.01);
    for (const activation of [43_000, 47_000, 50_000, 55_000, 58_000, 67_000]) {
      const clock = cureClock(day, activation, 540);
      for (const at of [541, 600, 1200, 4000]) alike(family(activation).thetaS(at), clock.thetaS(at));
      for (const theta of [600, 20_000, 300_000])
        alike(family(activation).minuteOf(540, theta) - 540, clock.minuteOf(540, theta) - 540);
    }
    expect(() => family(E).minuteOf(600, 60)).toThrow("read from 540");
  });
  test("a heat pulse takes life: what it takes is what it adds to the integral", () => {
    const room: Room = { kind: "constant", tempC: 21 };
    const plain = cureClock(room, E, 0);
    const heated = cureClock(room, E, 0, [{ atMin: 20, riseK: 40, decayMin: 5 }]);
    expect(heated.thetaS(19.9)).toBeCloseTo(plain.thetaS(19.9), 6);
    expect(heated.thetaS(120)).toBeGreaterThan(plain.thetaS(120) + 600);
    expect(heated.minuteOf(0, 3600)).toBeLessThan(plain.minuteOf(0, 3600));
  });
  test("in the frost it does not arrive: that is said, and looking for it ends", () => {
    expect(cureClock({ kind: "constant", tempC: -30 }, E, 0).minuteOf(0, 1e7)).toBe(Infinity);
    const winter: Room = { kind: "day", coldC: -35, coldAtMin: 300, warmC: -25, warmAtMin: 900 };
    expect(cureClock(winter, E, 0).minuteOf(0, 1e7)).toBe(Infinity);
  });
});

describe("dew point (Magnus, Sonntag 1990)", () => {
  test.each(reference.flow.dew.map((row) => [row.T, row.RH, row.dew] as const))(
    "%d °C, %d %%",
    (tempC, humidity, dew) => {
      expect(dewPointC(tempC, humidity)).toBeCloseTo(dew, 6);
    },
  );
  test.each([
    [20, 50, 9.3],
    [25, 50, 13.9],
    [25, 60, 16.7],
    [30, 50, 18.4],
    [30, 80, 26.2],
  ])("psychrometric table: %d °C and %d %% dew at %d °C (from memory)", (tempC, humidity, dew) => {
    expect(Math.abs(dewPointC(tempC, humidity) - dew)).toBeLessThan(0.1);
  });
  test("saturated air dews at its own temperature; no humidity is no humidity", () => {
    expect(dewPointC(17.3, 100)).toBeCloseTo(17.3, 9);
    expect(() => dewPointC(20, 0)).toThrow("0 % is none");
  });
});
