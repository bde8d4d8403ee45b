import { createServer } from "node:net";
import { expect, test, type Page } from "@playwright/test";
import { PRINTS_MS, serveLines } from "../../instruments/serve";
import { SimulatedScale, USUAL_HABITS } from "../../instruments/simulated-scale";
import { OwnServer } from "../fixtures/own-server";
import { OWNER, openCopy, signInByForm, stage } from "../fixtures/shop";

const TOMAS = { email: "tomas@lantern-yard.example", password: "pour-when-ready" };
const act = (page: Page) => page.getByRole("heading", { level: 1 });

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === "object" && address ? address.port : 0));
    });
  });

/** Says done, and once more where it asks; the act that comes then is another. */
async function done(page: Page): Promise<void> {
  const before = await act(page).textContent();
  await page.keyboard.press("PageDown");
  await expect(async () => {
    if (await page.getByRole("button", { name: /^Done already/ }).isVisible())
      await page.keyboard.press("PageDown");
    expect(await act(page).textContent()).not.toBe(before);
  }).toPass();
}

/** How many lines have a weight. */
const weighed = (page: Page): Promise<number> =>
  page
    .getByPlaceholder("scale")
    .evaluateAll((fields) => fields.filter((field) => (field as HTMLInputElement).value !== "").length);

/** Weighs an act out at the stand-in: a vessel for each mix and each dose, tared, poured to what is asked for. */
async function weighOut(page: Page, scale: SimulatedScale): Promise<number> {
  const shown = page.getByRole("group", { name: "The scale" });
  let lines = 0;
  for (;;) {
    await expect(shown).toContainText(/all is weighed|and tare|g to go/);
    const words = (await shown.textContent()) ?? "";
    if (words.includes("all is weighed")) return lines;
    if (words.includes("and tare")) {
      scale.put(75);
      scale.tare();
      await expect(shown).toContainText(/g to go/);
      continue;
    }
    const toGo = Number(/([\d.]+) g to go/.exec(words)?.[1]);
    const before = await weighed(page);
    scale.pour(400, toGo);
    // Taken when it is at rest.
    await expect.poll(() => weighed(page)).toBe(before + 1);
    lines += 1;
  }
}

test("two screens, a scale and a probe through a whole pour, the server killed and a network cut in the middle: nothing lost, nothing doubled, both equal", async ({
  browser,
}) => {
  const [scalePort, probePort] = [await freePort(), await freePort()];
  const scale = new SimulatedScale({ ...USUAL_HABITS, noiseG: 0 });
  const room = { tempC: 21.5, humidityPct: 50 };
  const time = setInterval(() => scale.pass(PRINTS_MS / 1000), PRINTS_MS);
  const scaleServed = await serveLines(scalePort, () => scale.line());
  const probeServed = await serveLines(
    probePort,
    () => `T=${room.tempC} RH=${room.humidityPct} S=${room.tempC - 0.5}`,
    300,
  );
  const instruments = {
    GAUGEBEAM_SCALE: `127.0.0.1:${scalePort}`,
    GAUGEBEAM_PROBE: `127.0.0.1:${probePort}`,
  };
  const server = await OwnServer.make("gaugebeam_whole_pour", "demo");
  await server.start(instruments);
  const [mine, theirs] = [
    await browser.newContext({ baseURL: server.url }),
    await browser.newContext({ baseURL: server.url }),
  ];
  try {
    const ines = await mine.newPage();
    await signInByForm(ines, OWNER);
    await openCopy(ines, "Bistro table");
    await stage(ines, "Pour");
    await ines.getByRole("button", { name: /^Start/ }).click();
    await ines.waitForURL("**/pours/**");
    const tomas = await theirs.newPage();
    await signInByForm(tomas, TOMAS);
    await tomas.goto(ines.url());
    await expect(act(tomas)).toHaveText(/^Weigh/);
    await expect(ines.getByText(/^room 7\d °F 50 %/)).toBeVisible();

    // Weighed at the scale; what is taken stands on the other screen.
    expect(await weighOut(ines, scale)).toBeGreaterThan(2);
    await expect(tomas.getByLabel("A, resin")).toHaveValue(await ines.getByLabel("A, resin").inputValue());
    await ines.locator("h1").click();
    await done(ines);
    await expect(act(tomas)).toHaveText(/^Mix/);

    // The power goes; both go on with what they have.
    await server.kill();
    await done(ines);
    await expect(act(ines)).toHaveText(/^Spread/);
    await tomas.getByRole("button", { name: "Note" }).click();
    await tomas.getByLabel("What happened").fill("Lights out");
    await tomas.getByRole("button", { name: "Keep the note" }).click();
    await theirs.setOffline(true);
    await server.start(instruments);
    await expect(ines.getByText(/^saved/)).toBeVisible();
    await done(ines);
    await expect(act(ines)).toHaveText(/^Weigh/);
    await expect(act(tomas)).toHaveText(/^Mix/);
    // He ticks what she has ticked, and knows nothing of it.
    await tomas.locator("h1").click();
    await done(tomas);
    await theirs.setOffline(false);
    await expect(act(tomas)).toHaveText(/^Weigh/);

    // It grows damp while the colours are weighed.
    room.humidityPct = 88;
    await expect(ines.getByText(/too damp|dew point/)).toBeVisible();
    room.humidityPct = 50;
    await weighOut(tomas, scale);
    await tomas.locator("h1").click();
    await done(tomas);
    for (let turn = 0; turn < 20; turn += 1) {
      const screen = turn % 2 === 0 ? ines : tomas;
      const other = turn % 2 === 0 ? tomas : ines;
      await expect.poll(async () => act(screen).textContent()).toBe(await act(other).textContent());
      if ((await act(screen).textContent()) === "What was left?") break;
      await done(screen);
      await expect.poll(async () => act(other).textContent()).toBe(await act(screen).textContent());
    }
    await ines.getByRole("button", { name: "Finish the pour" }).click();
    await expect(tomas.getByRole("link", { name: "See the log" })).toBeVisible();

    const news = await ines.request.get(`/api${new URL(ines.url()).pathname}/news?once`);
    const { events } = (await news.json()) as {
      events: { id: string; kind: string; stepId?: string; raw?: string; by: string; text?: string }[];
    };
    expect(new Set(events.map(({ id }) => id)).size).toBe(events.length);
    const ticks = events.filter(({ kind }) => kind === "tick").map(({ stepId }) => stepId);
    // The mix was ticked by both; everything else once.
    expect(new Set(ticks).size).toBe(14);
    expect(ticks.length).toBe(15);
    expect(events.filter(({ text }) => text === "Lights out")).toHaveLength(1);
    const weights = events.filter(({ kind }) => kind === "weighed");
    expect(weights.every(({ raw }) => /^ST \+/.test(raw ?? ""))).toBe(true);
    expect(new Set(weights.map(({ by }) => by)).size).toBe(2);
    expect(events.some(({ kind }) => kind === "room")).toBe(true);

    const logs = await Promise.all(
      [ines, tomas].map(async (page) => {
        await page.getByRole("link", { name: "See the log" }).click();
        await page.waitForURL("**/log**");
        const rows = page.getByRole("table").getByRole("row");
        await expect(rows.nth(14)).toBeVisible();
        return rows.allTextContents();
      }),
    );
    expect(logs[0]).toEqual(logs[1]);
    expect(logs[0]).toHaveLength(15);
  } finally {
    clearInterval(time);
    await Promise.all([scaleServed.close(), probeServed.close()]);
    await server.kill();
    await Promise.all([mine.close(), theirs.close()]);
  }
});
