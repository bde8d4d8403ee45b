import { connect } from "node:net";
import { readScaleLine } from "@/core/instruments/scale-line";
import { serveLines } from "./serve";
import { SimulatedScale, USUAL_HABITS } from "./simulated-scale";

const grams = (scale: SimulatedScale) => {
  const read = readScaleLine(scale.line());
  if (read?.kind !== "mass") throw new Error("No mass.");
  return read;
};

test("what is poured is what it shows, to its step and noise; it rests when the stream has stopped", () => {
  const scale = new SimulatedScale();
  scale.pour(20, 100);
  for (let n = 0; n < 20; n += 1) scale.pass(0.1);
  expect(scale.trueG).toBeCloseTo(40, 6);
  expect(grams(scale).stable).toBe(false);
  for (let n = 0; n < 60; n += 1) scale.pass(0.1);
  expect(scale.trueG).toBeCloseTo(100, 6);
  expect(Math.abs(grams(scale).grams - 100)).toBeLessThan(0.3);
  expect(grams(scale).stable).toBe(true);
});
test("tare takes off what stands there; leaning shows and says that it moves; drift creeps", () => {
  const scale = new SimulatedScale({ ...USUAL_HABITS, noiseG: 0 });
  scale.put(60);
  scale.tare();
  scale.pass(1);
  expect(grams(scale)).toMatchObject({ grams: 0, stable: true });
  scale.lean(35);
  expect(grams(scale)).toMatchObject({ grams: 35, stable: false });
  scale.lean(0);
  scale.habits = { ...scale.habits, driftGPerS: 0.5 };
  scale.pass(10);
  expect(grams(scale).grams).toBeCloseTo(5, 6);
});
test("noise has the size that it is given", () => {
  const scale = new SimulatedScale({ ...USUAL_HABITS, noiseG: 1, stepG: 0.01 });
  scale.put(100);
  const shown = Array.from({ length: 4000 }, () => grams(scale).grams - 100);
  const mean = shown.reduce((sum, one) => sum + one, 0) / shown.length;
  const deviation = Math.sqrt(shown.reduce((sum, one) => sum + (one - mean) ** 2, 0) / shown.length);
  expect(Math.abs(mean)).toBeLessThan(0.1);
  expect(deviation).toBeGreaterThan(0.9);
  expect(deviation).toBeLessThan(1.1);
});
test("whoever connects reads its lines", async () => {
  const scale = new SimulatedScale();
  scale.put(12);
  const served = await serveLines(0, () => scale.line(), 5);
  const socket = connect({ host: "127.0.0.1", port: served.port });
  const first = await new Promise<string>((resolve) =>
    socket.once("data", (chunk) => resolve(String(chunk))),
  );
  socket.destroy();
  await served.close();
  expect(readScaleLine(first.split("\r\n")[0] ?? "")).toMatchObject({ kind: "mass" });
});
