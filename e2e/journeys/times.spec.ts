import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import ICAL from "ical.js";
import { hands } from "../fixtures/hands";
import { field, makeJob, saved, signIn, stage } from "../fixtures/shop";

const button = (page: Page, name: string | RegExp) =>
  page.getByRole("button", typeof name === "string" ? { name, exact: true } : { name });
const coat = (page: Page) => page.getByRole("region", { name: "Coat", exact: true });
const addPass = (page: Page) => coat(page).getByLabel("Add a pass");
const row = (page: Page, name: string | RegExp) => coat(page).getByRole("listitem").filter({ hasText: name });
type Entry = { what: string; fromMin: number; untilMin: number };
/** What the calendar of a job holds, read back by another program's parser; minutes from midnight of its first day. */
async function calendarOf(page: Page): Promise<Entry[]> {
  await stage(page, "Windows");
  await page.getByLabel("First day").fill("2027-03-01");
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "calendar" }).click(),
  ]);
  const calendar = new ICAL.Component(ICAL.parse(readFileSync(await file.path(), "utf8")) as unknown[]);
  const midnight = ICAL.Time.fromDateTimeString("2027-03-01T00:00:00");
  const minutes = (time: ICAL.Time) => time.subtractDate(midnight).toSeconds() / 60;
  return calendar.getAllSubcomponents("vevent").map((component) => {
    const event = new ICAL.Event(component);
    return { what: event.summary, fromMin: minutes(event.startDate), untilMin: minutes(event.endDate) };
  });
}
const entries = (calendar: Entry[], what: string) => calendar.filter((entry) => entry.what.includes(what));

test("alcohol, wait five minutes, then a fine mist", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Said: alcohol and mist");
  const { press, type, choose, stage, done } = hands(page);
  await press(button(page, "Straight run"));
  await type("Length", "84 in");
  await stage("Build");
  await press(button(page, "colour"));
  await choose(addPass(page), "Alcohol, small drops");
  await choose(addPass(page), "Alcohol, small drops");
  await type("When", "wait five");
  await expect(coat(page).getByText(/not a time/)).toBeVisible();
  await expect(field(page, "When")).toHaveValue("wait five");
  await type("When", "wait 5 min");
  await expect(field(page, "When")).toHaveValue("5 min after the pass before");
  await choose(field(page, "Drops"), "fine mist");
  await saved(page);
  done();
  const [drops, mist] = entries(await calendarOf(page), "Alcohol");
  // The first is sprayed in less than a minute; a calendar holds five at least, so by hand from its begin: one minute, and five to wait.
  expect(mist!.fromMin - drops!.fromMin).toBe(6);
});

test("a river in two halves, wet on wet, or in lifts; each with its own mix in Cups", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Said: two wet halves");
  const { press, type, choose, stage, done } = hands(page);
  await press(button(page, "River or void"));
  await type("Depth of the channel", "1 1/2 in");
  await stage("Build");
  await press(button(page, "fill or edge"));
  await press(page.getByRole("menuitem", { name: "Fill", exact: true }));
  await choose(coat(page).getByLabel("Resin", { exact: true }), "Deep casting 3:1");
  await press(button(page, "two halves, wet on wet"));
  await expect(button(page, /^Fill 1 of 2/)).toBeVisible();
  await press(button(page, /^Fill 2 of 2/));
  await expect(
    page.getByText(/react together: layers are poured before those below have gelled/),
  ).toBeVisible();
  await expect(field(page, "Share of the fill")).toHaveValue("50");
  await saved(page);
  await stage("Cups");
  await expect(page.getByRole("tab", { name: /^Fill [12] of 2/ })).toHaveCount(2);
  done();
});

test("a reader with the twelve-hour clock: hours and days everywhere, and what is typed is read by either", async ({
  page,
}) => {
  await signIn(page, { email: "tomas@lantern-yard.example", password: "pour-when-ready" });
  await makeJob(page, "Said: at two in the afternoon");
  await page.getByRole("button", { name: "Straight run" }).click();
  await stage(page, "Build");
  await button(page, "clear").click();
  await row(page, "Scrape the drips").getByRole("button").first().click();
  await field(page, "When").fill("at 14:30");
  await field(page, "When").press("Enter");
  await expect(field(page, "When")).toHaveValue("at 14:30");
  const clock = async (words: RegExp) => {
    await page.getByRole("button", { name: "Tomas Reyle" }).click();
    await page.getByRole("menuitem", { name: words }).click();
  };
  await clock(/2:05 pm/);
  await expect(field(page, "When")).toHaveValue("at 2:30 pm");
  await field(page, "When").fill("next morning at 8");
  await field(page, "When").press("Enter");
  await expect(field(page, "When")).toHaveValue("at 8 am");
  await saved(page);
  await stage(page, "Cups");
  await expect(page.getByRole("cell", { name: "9 am" }).first()).toBeVisible();
  await stage(page, "Windows");
  await expect(page.getByText(/open 8 am to/)).toBeVisible();
  await page.goto(page.url().replace(/windows.*/, "sheets/run"));
  await expect(page.getByText("9 am", { exact: true }).first()).toBeVisible();
  await page.goto("/jobs");
  await clock(/14:05/);
  await expect(page.getByRole("button", { name: "Tomas Reyle" })).toBeVisible();
});

test("scrape every half hour until it stops: its rounds in the plan and in the calendar", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Said: every half hour");
  const { press, type, stage: go, done } = hands(page);
  await press(button(page, "Straight run"));
  await type("Length", "60 in");
  await go("Build");
  await press(button(page, "clear"));
  await press(row(page, "Scrape the drips").getByRole("button").first());
  await type("When", "2 h after mixing, every half hour until it stops");
  await expect(field(page, "When")).toHaveValue("2 h after mixing, every 30 min until set");
  await expect(row(page, "Scrape the drips").getByText(/: \d+ to \d+ rounds|: \d+ rounds/)).toBeVisible();
  await saved(page);
  done();
  const rounds = entries(await calendarOf(page), "Scrape the drips, round");
  expect(rounds.length).toBeGreaterThan(2);
  rounds.forEach(({ what }, n) => expect(what).toContain(`round ${n + 1} of`));
  rounds.slice(1).forEach(({ fromMin }, n) => expect(fromMin - rounds[n]!.fromMin).toBe(30));
  await expect(page.getByRole("img", { name: /^Scrape the drips .*, \d+.* rounds/ })).toBeVisible();
});

test("turn it four hours, flood it, decal in the morning", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Said: tumbler with a decal");
  const { press, type, choose, stage: go, done } = hands(page);
  await press(button(page, "Tumbler"));
  await go("Build");
  await press(button(page, "colour"));
  // A tumbler's coat turns from the start; four hours are the usual.
  await expect(row(page, "Turn it until it holds")).toBeVisible();
  await press(row(page, "Turn it until it holds").getByRole("button").first());
  await type("When", "for 4 h");
  await press(button(page, "clear"));
  await press(button(page, "start, mixing, rate, faces, stones"));
  await choose(coat(page).getByLabel("Begins"), "when the coat below is tacky");
  await choose(addPass(page), "Lay the decal");
  await type("When", "next morning at 8");
  await expect(field(page, "When")).toHaveValue("at 08:00");
  await saved(page);
  done();
  const calendar = await calendarOf(page);
  const [turn] = entries(calendar, "Turn it until it holds");
  const flood = calendar.find(({ what }) => /mix Clear/.test(what))!;
  const [decal] = entries(calendar, "Lay the decal");
  expect(turn!.untilMin - turn!.fromMin).toBe(240);
  expect(flood.fromMin).toBeGreaterThanOrEqual(turn!.untilMin);
  expect(decal!.fromMin % 1440).toBe(8 * 60);
  expect(decal!.fromMin).toBeGreaterThan(flood.fromMin + 8 * 60);
});

test("rounds on the pour: each is ticked, rings when it is due, and one is said to be the last", async ({
  page,
}) => {
  // The tones that the browser was asked for.
  await page.addInitScript(() => {
    const rung: number[] = [];
    Object.assign(window, { rung });
    const create = AudioContext.prototype.createOscillator;
    AudioContext.prototype.createOscillator = function () {
      rung.push(Date.now());
      return create.call(this);
    };
  });
  const rung = () => page.evaluate(() => (window as unknown as { rung: number[] }).rung.length);
  await page.clock.install();
  await signIn(page);
  await makeJob(page, "Poured in rounds");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await field(page, "Length").fill("30 in");
  await field(page, "Depth").fill("20 in");
  await stage(page, "Build");
  await button(page, "clear").click();
  await row(page, "Scrape the drips").getByRole("button").first().click();
  await field(page, "When").fill("2 h after mixing, every half hour until it stops");
  await field(page, "When").press("Enter");
  await page.clock.runFor(2000);
  await saved(page);
  await stage(page, "Pour");
  await page.getByRole("button", { name: "Start the pour" }).click();
  await page.waitForURL("**/pours/**");
  const heading = page.getByRole("heading", { level: 1 });
  const doneButton = page.getByRole("button", { name: /^Done(?!,)/ });
  for (let steps = 0; steps < 12; steps += 1) {
    await expect(heading).toBeVisible();
    if (/round 1 of/.test(await heading.innerText())) break;
    const before = await heading.innerText();
    await doneButton.click();
    // What lasts asks once when it has hardly begun.
    const sure = page.getByRole("button", { name: /^Done already/ });
    await expect(async () => {
      if (await sure.isVisible()) await sure.click();
      expect(await heading.innerText()).not.toBe(before);
    }).toPass();
  }
  await expect(heading).toHaveText(/^Scrape the drips, round 1 of \d+/);
  await expect(page.getByText("right in", { exact: true })).toBeVisible();
  const before = await rung();
  await page.clock.fastForward("03:30:00");
  await page.clock.runFor(2000);
  await expect.poll(rung).toBeGreaterThan(before);
  await doneButton.click();
  await expect(heading).toHaveText(/^Scrape the drips, round 2 of \d+/);
  await page.getByRole("button", { name: "this screen" }).click();
  await page.getByRole("radio", { name: "off" }).click();
  await expect(page.getByRole("radio", { name: "off" })).toBeChecked();
  await page.getByRole("button", { name: "Back to the pour" }).click();
  await button(page, "Done, and the last").click();
  await expect(page.getByRole("heading", { name: "What was left?" })).toBeVisible();
  await page.getByRole("button", { name: "Step back" }).click();
  await expect(heading).toHaveText(/^Scrape the drips, round 2 of \d+/);
});
