import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import ICAL from "ical.js";
import type { BenchSettings } from "../../src/contracts/bench";
import { DEMO_BENCH } from "../../demo/shop";
import { field, pdfText, saved, signIn, stage } from "../fixtures/shop";

const start = (page: Page) => page.getByRole("slider", { name: "Start of the first coat" });

const setBench = async (page: Page, settings: BenchSettings) => {
  const answer = await page.request.post("/api/act/bench.set", {
    data: { settings },
    headers: { origin: new URL(page.url()).origin },
  });
  expect(answer.ok()).toBe(true);
};

async function openCounter(page: Page): Promise<void> {
  await signIn(page);
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Serving counter" }).click();
  await page.waitForURL("**/measure");
  await stage(page, "Windows");
}

test("the days as beams: a start is pulled and walked, what falls after hours is named, a better start is found and taken", async ({
  page,
}) => {
  await openCounter(page);
  // Pours that other tests left open lie on the bench: here it has no end.
  await setBench(page, { ...DEMO_BENCH, benchMm: null });
  await page.reload();
  const heading = page.getByRole("heading", { level: 1 });
  await expect(heading).toContainText("09:00");
  await expect(page.getByText(/last hands-on/)).toBeVisible();

  // By keys: an hour at a time.
  await start(page).focus();
  for (let press = 0; press < 7; press += 1) await page.keyboard.press("PageDown");
  await expect(heading).toContainText("16:00");
  const troubles = page.getByRole("list", { name: "To look at" });
  await expect(troubles).toContainText(/after hours/);
  await troubles.getByRole("button").first().click();

  // By pointer: back towards the morning, in steps of a quarter of an hour.
  const box = (await start(page).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 12);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 120, box.y + 12, { steps: 12 });
  await page.mouse.up();
  await expect(heading).not.toContainText("16:00");
  await expect(heading).toContainText(/:(00|15|30|45)$/);

  await page.getByRole("button", { name: "Find a start" }).click();
  const starts = page.getByRole("list", { name: "Starts" });
  await expect(starts.getByRole("button")).toHaveCount(3);
  const best = await starts.getByRole("button").first().innerText();
  // Sanding goes by the likely hour at which it can be sanded: that is said.
  expect(best).toMatch(/nothing at night, (every window kept|\d acts? where a window may not be open yet)/);
  await starts.getByRole("button").first().click();
  await expect(heading).toHaveText(best.split("\n")[0]!);
  await expect(troubles).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(heading).toHaveText(best.split("\n")[0]!);
  await page.keyboard.press("Control+z");
  await expect(heading).not.toHaveText(best.split("\n")[0]!);
});

test.afterAll(async ({ browser, baseURL }) => {
  const context = await browser.newContext({ baseURL: baseURL! });
  const page = await context.newPage();
  await signIn(page);
  await setBench(page, DEMO_BENCH);
  await context.close();
});

test("any moment tells its temperature, its feel and what it is right for, by pointer and by keys", async ({
  page,
}) => {
  await openCounter(page);
  await page.getByRole("button", { name: /^Colour, palm blend, mixed/ }).click();
  const moment = page.getByRole("slider", { name: "A moment of the film" });
  await moment.focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("PageDown");
  await expect(moment).toHaveAttribute(
    "aria-valuetext",
    /°F · (runny|flowing) · like .* · flow left \d+ % \(\d+ to \d+\); right now: .*; not yet: scrape the drips/,
  );
  const words = await moment.getAttribute("aria-valuetext");
  for (let press = 0; press < 3; press += 1) await page.keyboard.press("PageDown");
  await expect(moment).not.toHaveAttribute("aria-valuetext", words!);
  const box = (await moment.boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.1, box.y + 20);
  await expect(page.getByText(/ · flow left \d+ %/)).toBeVisible();
});

test("the room by the day and by a logger's file: windows follow, wrong lines are told, nothing is lost", async ({
  page,
}) => {
  await openCounter(page);
  const summary = page.getByText(/^last hands-on/);
  const before = await summary.innerText();
  await page.getByRole("button", { name: /^room/ }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("radio", { name: "by the day" }).click();
  await field(page, "Coldest").fill("48");
  await field(page, "Warmest").fill("60");
  await expect(field(page, "Warmest")).toHaveValue("60");
  await field(page, "Humidity").fill("90");
  // The same by its handles: the warmest hour by keys, the coldest by pointer.
  const warm = dialog.getByRole("slider", { name: "Warmest hour of the day" });
  await expect(warm).toHaveAttribute("aria-valuetext", "60 °F at 15:00");
  await warm.focus();
  for (const key of ["ArrowRight", "ArrowRight", "ArrowUp"]) await page.keyboard.press(key);
  await expect(warm).toHaveAttribute("aria-valuetext", "61 °F at 15:30");
  await expect(field(page, "Warmest")).toHaveValue("61");
  const cold = dialog.getByRole("slider", { name: "Coldest hour of the day" });
  const at = (await cold.boundingBox())!;
  await page.mouse.move(at.x + 16, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + 16 + 40, at.y + at.height / 2 - 200, { steps: 5 });
  await page.mouse.up();
  // It is never warmer than the warmest.
  await expect(cold).toHaveAttribute("aria-valuetext", /^61 °F at 0[67]:/);
  await field(page, "Coldest").fill("48");
  await field(page, "Warmest").fill("60");
  await page.keyboard.press("Escape");
  await expect(page.getByText(/above the dew point/)).toBeVisible();
  await expect(page.getByRole("button", { name: /^room 48 °F to 60 °F/ })).toBeVisible();
  await expect.poll(() => summary.innerText()).not.toBe(before);
  // The ends of its windows come from a worker.
  await expect(summary).toContainText(/± \d+ h/);

  await page.getByRole("button", { name: /^room/ }).click();
  await dialog.getByRole("radio", { name: "logger" }).click();
  const asked = page.getByRole("dialog", { name: "Logger's file" });
  const logger = (text: string) =>
    asked.getByLabel("Logger's file, the file").setInputFiles({
      name: "logger.csv",
      mimeType: "text/csv",
      buffer: Buffer.from(text),
    });
  await logger("time,temp\nyesterday,20\n");
  await expect(asked.getByRole("alert", { name: "What is wrong in the file" })).toContainText("line 2");
  await expect(asked.getByRole("button", { name: "Take them over" })).toHaveCount(0);
  // Which column is which is guessed, and can be chosen.
  await logger(
    "no,probe temp C,room temp C,time\n1,31,16,2026-03-02 06:00\n2,31,22,2026-03-02 14:00\n3,31,15.5,2026-03-03 06:00\n",
  );
  await expect(asked.getByText("3 readings of 3 lines.")).toBeVisible();
  await asked.getByLabel("Temperature").selectOption({ label: "room temp C: 16" });
  await asked.getByRole("button", { name: "Take them over" }).press("Enter");
  await expect(asked).toHaveCount(0);
  await expect(dialog.getByText(/^3 readings, 60 °F to 72 °F/)).toBeVisible();
  await page.keyboard.press("Escape");
  await saved(page);
  await page.reload();
  await expect(page.getByRole("button", { name: /^room 60 °F to 72 °F/ })).toBeVisible();
  await page.getByRole("button", { name: /^room/ }).click();
  await page.getByRole("dialog").getByRole("radio", { name: "one temperature" }).click();
  await field(page, "Humidity").fill("");
  await page.keyboard.press("Escape");
  await saved(page);
});

test("the calendar goes out with alarms, and another program's parser reads it back", async ({ page }) => {
  await openCounter(page);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "calendar" }).click(),
  ]);
  expect(download.suggestedFilename()).toBe("Serving counter.ics");
  const calendar = new ICAL.Component(ICAL.parse(readFileSync(await download.path(), "utf8")) as unknown[]);
  const events = calendar.getAllSubcomponents("vevent").map((component) => ({
    event: new ICAL.Event(component),
    alarms: component.getAllSubcomponents("valarm"),
  }));
  expect(events.length).toBeGreaterThan(10);
  expect(new Set(events.map(({ event }) => event.uid)).size).toBe(events.length);
  for (const { event, alarms } of events) {
    expect(alarms).toHaveLength(1);
    // On the shop's own clock, wherever it is read.
    expect(event.startDate.zone).toBe(ICAL.Timezone.localTimezone);
    expect(event.endDate.compare(event.startDate)).toBe(1);
  }
  const mix = events.find(({ event }) => event.summary === "Serving counter: mix Primer, black")!;
  const heading = await page.getByRole("heading", { level: 1 }).innerText();
  expect(heading).toContain(
    `${String(mix.event.startDate.hour).padStart(2, "0")}:${String(mix.event.startDate.minute).padStart(2, "0")}`,
  );
  const torch = events.find(({ event }) => event.summary === "Serving counter: Torch, quick sweeps")!;
  const alcohol = events.find(({ event }) => event.summary === "Serving counter: Alcohol, small drops")!;
  expect(torch.event.startDate.subtractDate(alcohol.event.startDate).toSeconds()).toBeGreaterThanOrEqual(300);
});

test("how wide a vein ends, by the minute it is laid, and when to lay one for a width", async ({ page }) => {
  await signIn(page);
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Serving counter" }).click();
  await page.waitForURL("**/measure");
  await stage(page, "Build");
  await page
    .getByRole("button", { name: /^Veins, graphite/ })
    .first()
    .click();
  const timing = page.getByRole("region", { name: "Vein timing" });
  const width = async () =>
    parseFloat((await timing.locator(".text-3xl").innerText()).replace(/[^\d./ ]/g, ""));
  await timing.getByLabel("Laid at minute").fill("0");
  await timing.getByLabel("Laid width").fill("3 mm");
  await timing.getByLabel("Its height").fill("1 mm");
  await expect(timing.getByText(/^\d.* to \d.*, in Colour, palm blend/)).toBeVisible();
  const fresh = await timing.locator(".text-3xl").innerText();
  await timing.getByLabel("Laid at minute").fill("120");
  await expect.poll(() => timing.locator(".text-3xl").innerText()).not.toBe(fresh);
  expect(await width()).toBeGreaterThan(0);
  await timing.getByLabel("Wished width").fill("6.5 mm");
  await expect(timing.getByText(/^Lay it at minute \d+\.$/)).toBeVisible();
  await timing.getByLabel("Wished width").fill("2 mm");
  await expect(timing.getByText(/^Its own liquid comes to .*: lay less\.$/)).toBeVisible();
  await timing.getByLabel("Wished width").fill("90 mm");
  await expect(timing.getByText(/^Even in the fresh film it comes to .*: lay more\.$/)).toBeVisible();
});

test("a deep pour: how hot, how deep a lift, when the next; sealed and too deep is a danger", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/jobs");
  await page.getByRole("link", { name: "River table, elm" }).click();
  await page.waitForURL("**/measure");
  await stage(page, "Build");
  await page.getByRole("button", { name: /^River, first layer/ }).click();
  const heat = page.getByRole("region", { name: "Heat in the pour" });
  await expect(heat.getByText(/^\d+ °F$/)).toBeVisible();
  await expect(heat.getByText(/°F to \d+ °F; sealed \d+ °F/)).toBeVisible();
  await expect(heat.getByText(/lifts?, |One lift/)).toBeVisible();
  await expect(heat.getByRole("img", { name: /^Temperature of the pour: \d+ °F at most/ })).toBeVisible();
  const calm = await heat.getByText(/^\d+ °F$/).innerText();
  await heat.getByRole("radio", { name: "silicone" }).click();
  await expect.poll(() => heat.getByText(/^\d+ °F$/).innerText()).not.toBe(calm);
  // A coating in a channel of that depth runs away.
  await page
    .getByRole("region", { name: "Coat" })
    .getByLabel("Resin", { exact: true })
    .selectOption({ label: "Slow coating 1:1" });
  await expect(heat.getByRole("alert")).toContainText("runs away");
  await page.keyboard.press("Control+z");
});

test("the wall page: every act of the days on paper, with its hour, until when it is right, and a box", async ({
  page,
}) => {
  await openCounter(page);
  await page.getByRole("link", { name: "wall page" }).click();
  await page.waitForURL("**/sheets/wall");
  await expect(page.getByRole("row", { name: /Palm blend Colour/ })).toHaveAccessibleName(
    /\d\d:\d\d.*Colour, palm blend.*\d\d:\d\d \(\d\d:\d\d to \d\d:\d\d\)/,
  );
  const { text, pages } = await pdfText(await page.pdf({ format: "A4" }));
  expect(pages).toBe(1);
  for (const words of ["Serving counter", "wall page", "Scrape the drips", "Clear flood"])
    expect(text).toContain(words);
});

test("what a face keeps by the minute it is brushed: later keeps more, and from when on it is enough", async ({
  page,
}) => {
  await openCounter(page);
  await stage(page, "Build");
  await page
    .getByRole("button", { name: /^Colour, palm/ })
    .first()
    .click();
  const faces = page.getByRole("region", { name: "Faces" });
  const kept = async () => parseFloat(await faces.locator(".text-3xl").innerText());
  await faces.getByLabel("Brushed at minute").fill("10");
  const early = await kept();
  await faces.getByLabel("Brushed at minute").fill("90");
  await expect.poll(kept).toBeGreaterThan(1.3 * early);
  await faces.getByLabel("Film to keep").fill("0.1 mm");
  await expect(faces.getByText(/^It keeps 3\.9 mil when brushed at minute \d+ or later\.$/)).toBeVisible();
  await faces.getByLabel("Film to keep").fill("2 mm");
  await expect(faces.getByText(/more than that no face keeps/)).toBeVisible();
});

test("the log: each pass against the window that its film had, when it was planned and when it was done", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Reception desk" }).click();
  await page.waitForURL("**/measure");
  await stage(page, "Log");
  const beams = page.getByRole("region", { name: "Planned against done" });
  await expect(beams.getByRole("group", { name: /^Colour, bucket pour/ })).toBeVisible();
  await expect(
    beams.getByRole("img", { name: /^Torch, quick sweeps: \d\d:\d\d in its window/ }).first(),
  ).toBeVisible();
  const moment = beams.getByRole("slider", { name: /Colour, bucket pour$/ });
  await moment.focus();
  await page.keyboard.press("PageDown");
  await expect(moment).toHaveAttribute("aria-valuetext", /flow left \d+ %/);
});
