import fc from "fast-check";
import { readClimateLine } from "./climate-line";

test.each([
  ["T=22.4 RH=51 S=21.0", 22.4, 51, 21],
  ["72.3F, 48%", (72.3 - 32) / 1.8, 48, null],
  ["temp: 22,4 °C; hum: 51 %", 22.4, 51, null],
  ["22.4C 51%", 22.4, 51, null],
  ["TEMP=71F RH=44 SURF=69F", (71 - 32) / 1.8, 44, (69 - 32) / 1.8],
  ["T -3.5 H 80", -3.5, 80, null],
  ["T=22.4", 22.4, null, null],
  ["T=22.4 RH=130", 22.4, null, null],
])("%j", (line, tempC, humidityPct, surfaceC) => {
  const read = readClimateLine(line)!;
  expect(read.tempC).toBeCloseTo(tempC, 9);
  expect(read.humidityPct).toBe(humidityPct);
  if (surfaceC === null) expect(read.surfaceC).toBeNull();
  else expect(read.surfaceC).toBeCloseTo(surfaceC, 9);
});
test.each(["", "READY", "RH=51", "T=200", "T=-60", "x".repeat(300), "ST + 201.4 g"])(
  "%j is no room",
  (line) => expect(readClimateLine(line)).toBeNull(),
);
test("nothing throws, and a room is one that can be", () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string({ unit: "binary", maxLength: 130 }),
        fc
          .array(fc.constantFrom("T", "RH", "S", "=", "22", "-", ".5", " ", "C", "F", "%", "°"), {
            maxLength: 16,
          })
          .map((parts) => parts.join("")),
      ),
      (line) => {
        const read = readClimateLine(line);
        return (
          read === null ||
          (read.tempC >= -40 &&
            read.tempC <= 80 &&
            (read.humidityPct === null || (read.humidityPct >= 0 && read.humidityPct <= 100)))
        );
      },
    ),
    { numRuns: 20_000 },
  );
});
