import { expect, test, type Locator, type Page } from "@playwright/test";
import { PRINTS_MS, serveLines } from "../../instruments/serve";
import { SimulatedScale, USUAL_HABITS } from "../../instruments/simulated-scale";
import { openCopy, signIn, stage } from "../fixtures/shop";
import { thisShop } from "../fixtures/shops";

const act = (page: Page) => page.getByRole("heading", { level: 1 });

/** Says done until an act has this title. */
async function doneUntil(page: Page, title: RegExp): Promise<void> {
  for (let n = 0; n < 60; n += 1) {
    const shown = (await act(page).textContent()) ?? "";
    if (title.test(shown)) return;
    const step = page.getByText(/^Step \d+ of/);
    const before = await step.textContent();
    await page.keyboard.press("PageDown");
    const sure = page.getByRole("button", { name: /^Done already/ });
    await expect(async () => {
      if (await sure.isVisible()) await page.keyboard.press("PageDown");
      expect(await step.textContent()).not.toBe(before);
    }).toPass();
  }
}

async function start(page: Page): Promise<void> {
  await stage(page, "Pour");
  await page.getByRole("button", { name: /^Start/ }).click();
  await page.waitForURL("**/pours/**");
}

/** The pour ends here: what the demo has wet is what other journeys look at. */
async function callOff(page: Page): Promise<void> {
  await page.getByRole("button", { name: "call it off" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Call it off" }).click();
  await expect(page.getByRole("heading", { name: "Called off" })).toBeVisible();
}

/** How many different colours a drawn picture has: one that is blank has one. */
const coloursIn = (picture: Locator): Promise<number> =>
  picture.evaluate((element) => {
    const canvas = element as HTMLCanvasElement;
    const { data } = canvas.getContext("2d")!.getImageData(0, 0, canvas.width, canvas.height);
    const seen = new Set<number>();
    for (let at = 0; at < data.length; at += 4 * 97)
      seen.add((data[at]! << 16) | (data[at + 1]! << 8) | data[at + 2]!);
    return seen.size;
  });

test("each act shows what to do: the pot fills, mixing counts by its method, cups, the piece before and after a pass; what is left out says why", async ({
  page,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await start(page);
  const pot = page.getByRole("img", { name: "The pot as it fills" });
  await expect(pot).toContainText("A, resin");
  await expect(pot).not.toContainText("A, resin, in");
  const a = page.getByLabel("A, resin");
  await a.fill("100");
  await a.press("Enter");
  await expect(pot).toContainText("A, resin, in");
  await a.fill("201");
  await a.press("Enter");

  await page.locator("h1").click();
  await doneUntil(page, /^Mix/);
  const clock = page.getByRole("timer");
  await expect(clock).toContainText("1 of 3: three times, top to bottom");
  // Counts down: of three minutes less than two are for the first part.
  await expect(clock).toContainText(/1:[0-3]\d/);

  await doneUntil(page, /^Split/);
  await expect(page.getByRole("img", { name: /^Copper, / })).toBeVisible();
  await doneUntil(page, /^Lay/);
  const after = page.getByRole("img", { name: "Bistro top, Lay the colours" });
  await expect.poll(() => coloursIn(after)).toBeGreaterThan(40);
  await doneUntil(page, /^Veins/);
  await expect
    .poll(() => coloursIn(page.getByRole("img", { name: "Bistro top before" })))
    .toBeGreaterThan(40);
  // All was ticked at once: the window says when it opens.
  await expect(page.getByRole("status").filter({ hasText: /^Opens in \d/ })).toBeVisible();
  // What was planned stays where it was: a reload shows the same act.
  await page.reload();
  await expect(act(page)).toHaveText(/^Veins/);

  await page.getByRole("button", { name: "Leave out" }).click();
  const asked = page.getByRole("dialog", { name: /^Leave out: Veins/ });
  await expect(asked.getByRole("button", { name: /^All of/ })).toBeHidden();
  await asked.getByLabel("Why").fill("No brass left");
  await asked.getByRole("button", { name: "This act only" }).click();
  await expect(act(page)).toHaveText(/^Wet the faces/);
  await page.getByRole("button", { name: "Step back" }).click();
  await expect(act(page)).toHaveText(/^Veins/);
  await callOff(page);
  await page.getByRole("link", { name: "See the log" }).click();
  await expect(page.getByText("Left out: No brass left")).toBeVisible();
});

test("veins are laid one at a time, as the tape tells them", async ({ page }) => {
  await signIn(page);
  await openCopy(page, "Serving counter");
  await stage(page, "Rehearse");
  await page.getByRole("link", { name: "Vein map" }).click();
  await page.getByRole("button", { name: "Lay out the pieces and draw veins" }).click();
  await expect(page.getByRole("region", { name: /^Tape list of/ })).toBeVisible();
  await start(page);
  await doneUntil(page, /^Veins/);
  const told = page.getByText(/^Vein \d+, /);
  const first = await told.textContent();
  await expect(told).toContainText(/1 of \d+/);
  await expect(page.getByRole("status").filter({ hasText: /enters|begins on the piece/ })).toBeVisible();
  await page.getByRole("button", { name: "Next vein" }).click();
  await expect(told).not.toHaveText(first!);
  await page.getByRole("button", { name: /^next piece, 1 of/ }).click();
  await expect(page.getByRole("button", { name: /^next piece, 2 of/ })).toBeVisible();
  await callOff(page);
});

test("two screens: what one does is on the other, by whom; what is done without a network arrives once, in order", async ({
  page,
  browser,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await start(page);
  const other = await browser.newContext();
  const theirs = await other.newPage();
  await signIn(theirs, { email: "tomas@lantern-yard.example", password: "pour-when-ready" });
  await theirs.goto(page.url());
  await expect(act(theirs)).toHaveText((await act(page).textContent())!);

  const a = theirs.getByLabel("A, resin");
  await a.fill("201");
  await a.press("Enter");
  await expect(page.getByLabel("A, resin")).toHaveValue("201");
  await expect(page.getByText("Tomas Reyle: 201 g weighed")).toBeVisible();
  await page.locator("h1").click();
  await page.keyboard.press("PageDown");
  await expect(act(theirs)).toHaveText(/^Mix/);

  // One screen loses its network, and both go on.
  await other.setOffline(true);
  await doneUntil(theirs, /^Weigh 7/);
  await expect(theirs.getByText(/kept here, not on the server yet/)).toBeVisible();
  await expect(act(page)).toHaveText(/^Mix/);
  await page.getByRole("button", { name: "Note" }).click();
  await page.getByLabel("What happened").fill("Warm in here");
  await page.getByRole("button", { name: "Keep the note" }).click();
  await other.setOffline(false);
  await expect(act(page)).toHaveText(/^Weigh 7/);
  await expect(theirs.getByText(/^saved/)).toBeVisible();
  await theirs.reload();
  await expect(act(theirs)).toHaveText((await act(page).textContent())!);
  await other.close();
  await callOff(page);
});

test("the scale is read: a vessel tared, A poured over, B brought to its ratio, each taken by itself; leaning takes nothing", async ({
  page,
}) => {
  const scale = new SimulatedScale({ ...USUAL_HABITS, noiseG: 0 });
  const time = setInterval(() => scale.pass(PRINTS_MS / 1000), PRINTS_MS);
  const served = await serveLines(thisShop.scalePort, () => scale.line());
  try {
    await signIn(page);
    await openCopy(page, "Bistro table");
    await start(page);
    const shown = page.getByRole("group", { name: "The scale" });
    scale.put(84);
    await expect(shown).toContainText("Put the vessel on and tare.");
    scale.tare();
    await expect(shown).toContainText(/20\d g to go/);
    scale.pour(60, 120);
    await expect(shown).toContainText(/8\d(\.\d)? g to go/);
    // Somebody leans on the bench: nothing is taken.
    scale.lean(100);
    await page.waitForTimeout(2000);
    await expect(page.getByLabel("A, resin")).toHaveValue("");
    scale.lean(0);
    scale.pour(60, 100);
    await expect(page.getByLabel("A, resin")).toHaveValue("220");
    await expect(page.getByText(/^Bring B to/)).toBeVisible();
    await expect(shown).toContainText("B, hardener");
    // 171 g belong to 201 g: to 220 g so much more of it.
    const b = (220 * 171) / 201;
    scale.pour(60, b);
    await expect
      .poll(async () => Number(await page.getByLabel("B, hardener").inputValue()))
      .toBeGreaterThan(b - 2);
    await expect(page.getByText(/^In ratio/)).toBeVisible();

    // The instrument is gone: said, and typed by hand.
    await served.close();
    await expect(page.getByText("The scale does not answer")).toBeVisible();
    await page.getByRole("button", { name: "weigh by hand" }).click();
    await expect(page.getByText("The scale does not answer")).toBeHidden();
    await page.getByLabel(/^Flat white/).fill("11");
    await page.getByLabel(/^Flat white/).press("Enter");
    await expect(page.getByLabel(/^Flat white/)).toHaveValue("11");
    await callOff(page);
  } finally {
    clearInterval(time);
    await served.close();
  }
});
