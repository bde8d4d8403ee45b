import { createServer } from "node:http";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { SimulatedScale } from "./simulated-scale";
import { PRINTS_MS, serveLines } from "./serve";

/** Stand-ins of a bench scale and a climate probe, with a page to pour into the one and to warm the other. */
const PAGE_PORT = Number(process.env["PORT"] ?? 4000);
const SCALE_PORT = PAGE_PORT + 1;
const PROBE_PORT = PAGE_PORT + 2;

const scale = new SimulatedScale();
const room = { tempC: 22, humidityPct: 48, surfaceC: 21 };
setInterval(() => scale.pass(PRINTS_MS / 1000), PRINTS_MS);

await serveLines(SCALE_PORT, () => scale.line());
await serveLines(
  PROBE_PORT,
  () => `T=${room.tempC.toFixed(1)} RH=${room.humidityPct.toFixed(0)} S=${room.surfaceC.toFixed(1)}`,
  1000,
);

const ACTS: Record<string, (value: number) => void> = {
  pour: (gPerS) => scale.pour(gPerS),
  put: (grams) => scale.put(grams),
  tare: () => scale.tare(),
  lean: (grams) => scale.lean(grams),
  noise: (grams) => (scale.habits = { ...scale.habits, noiseG: grams }),
  drift: (gPerS) => (scale.habits = { ...scale.habits, driftGPerS: gPerS }),
  temp: (tempC) => (room.tempC = tempC),
  humidity: (percent) => (room.humidityPct = percent),
  surface: (surfaceC) => (room.surfaceC = surfaceC),
};

const page = readFileSync(join(import.meta.dirname, "page.html"));
createServer((request, response) => {
  const url = new URL(request.url ?? "/", "http://localhost");
  const act = ACTS[url.pathname.slice(1)];
  const value = Number(url.searchParams.get("value") ?? 0);
  if (request.method === "POST" && act && Number.isFinite(value)) {
    act(value);
    response.end(scale.line());
  } else if (url.pathname === "/now") response.end(scale.line());
  else response.writeHead(200, { "content-type": "text/html; charset=utf-8" }).end(page);
}).listen(PAGE_PORT, "127.0.0.1", () => {
  process.stdout.write(
    [
      `Page:  http://127.0.0.1:${PAGE_PORT}`,
      `Scale: GAUGEBEAM_SCALE=127.0.0.1:${SCALE_PORT} ./start`,
      `Probe: GAUGEBEAM_PROBE=127.0.0.1:${PROBE_PORT} ./start`,
      "",
    ].join("\n"),
  );
});
