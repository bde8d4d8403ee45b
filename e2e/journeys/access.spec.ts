import AxeBuilder from "@axe-core/playwright";
import { expect, test, type Page } from "@playwright/test";
import { signIn, stage } from "../fixtures/shop";

async function nothingSerious(page: Page, view: string): Promise<void> {
  await page.waitForLoadState("networkidle");
  // The title comes with the stream, on a busy machine after the view itself.
  await expect(page).toHaveTitle(/\S/);
  const { violations, passes } = await new AxeBuilder({ page })
    // Of what passes one node is told: telling all of them takes longer than looking.
    .options({ resultTypes: ["violations"] })
    .analyze();
  expect(passes.length).toBeGreaterThan(5);
  const serious = violations.filter(
    (violation) => violation.impact === "serious" || violation.impact === "critical",
  );
  expect([
    view,
    serious.map((violation) => `${violation.id}: ${violation.nodes[0]?.html.slice(0, 160)}`),
  ]).toEqual([view, []]);
}

/** 200 % of a 1280 × 800 window leaves 640 CSS pixels; then phone, tablet and small laptop. */
const NARROW_PX = [640, 360, 768, 1024];

/** Nothing runs out of a window sideways, however narrow. */
async function fitsEverywhere(page: Page, view: string): Promise<void> {
  const full = page.viewportSize();
  for (const width of NARROW_PX) {
    await page.setViewportSize({ width, height: width === 640 ? 400 : 800 });
    await fitsAcross(page, `${view} at ${width}`);
  }
  if (full) await page.setViewportSize(full);
}

/** Nothing runs out of the window sideways. */
async function fitsAcross(page: Page, view: string): Promise<void> {
  // Drawings follow the window a moment later.
  await expect
    .poll(
      () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
      { message: view },
    )
    .toBeLessThanOrEqual(1);
}

async function everyView(page: Page, look: (view: string) => Promise<void>): Promise<void> {
  await page.goto("/sign-in");
  await look("sign-in");
  await signIn(page);
  await look("jobs");
  await page.goto("/bench");
  await expect(page.getByRole("group", { name: "The shop on one clock" })).toBeVisible();
  await look("bench");
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Serving counter" }).click();
  await page.waitForURL("**/measure");
  await look("measure");
  for (const name of ["Build", "Colour", "Cups", "Windows", "Rehearse", "Pour", "Log"] as const) {
    await stage(page, name);
    await look(name);
  }
  await stage(page, "Rehearse");
  for (const part of ["Practice", "Vein map", "For the client"]) {
    await page.getByRole("link", { name: part }).click();
    await page.waitForURL(/rehearse\/./);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    await look(part);
  }
  await stage(page, "Cups");
  await page.getByRole("link", { name: "Batch sheet" }).click();
  await page.waitForURL("**/sheets/batch");
  await look("batch sheet");
  await page.getByRole("link", { name: "What to buy" }).click();
  await page.waitForURL("**/buy");
  await look("what to buy");
  await page.goto(page.url().replace(/buy.*/, "price"));
  await expect(page.getByRole("table", { name: "What it costs" })).toBeVisible();
  await look("cost and price");
  await page.goBack();
  await page.waitForURL("**/buy");
  await page.goBack();
  await page.waitForURL("**/sheets/batch");
  await page.getByRole("link", { name: "Run sheet" }).click();
  await page.waitForURL("**/sheets/run");
  await look("run sheet");
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Reception desk" }).click();
  await stage(page, "Log");
  await look("log of a pour");
  await stage(page, "Inspect");
  for (const part of ["Walk round", "Pins", "Film", "Photograph", "Causes"]) {
    await page.getByRole("tab", { name: new RegExp(`^${part}`) }).click();
    await look(`inspect: ${part}`);
  }
  await page.goto(page.url().replace(/inspect.*/, "quote"));
  await expect(page.getByRole("article")).toBeVisible();
  await look("a quote");
  await page.getByRole("link", { name: "Another quote" }).click();
  await expect(page.getByRole("button", { name: "Give it a number" })).toBeEnabled();
  await look("a quote being written");
  await page.goto("/quotes");
  await look("all quotes");
  await page
    .getByRole("row", { name: /Island with a leaf/ })
    .getByRole("link")
    .click();
  await expect(page.getByRole("article")).toBeVisible();
  await look("a quote of two looks");
  await page.goto("/learn/earned");
  await look("what an hour brought");
  await page.goto("/shelf");
  await page.getByRole("link", { name: "Slow coating 1:1" }).click();
  await page.getByRole("button", { name: "its book" }).first().click();
  await look("shelf");
  await page.getByRole("button", { name: "Something came" }).click();
  await look("something came");
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: "count all" }).click();
  await page.waitForURL("**/shelf/count");
  await look("stocktaking");
  await page.goto("/learn");
  await expect(page.getByRole("heading", { name: "How good are we?" })).toBeVisible();
  await look("learn");
  await page.getByRole("link", { name: /^Trials/ }).click();
  await page.waitForURL("**/learn/trials");
  await look("a trial that is judged");
  await page.getByRole("link", { name: /^Alcohol later/ }).click();
  await expect(page.getByText("by eye, what was tried is")).toBeVisible();
  await look("a trial that is told");
  await page.getByRole("link", { name: "Try two ways" }).click();
  await expect(page.getByLabel("Name of the trial")).toBeVisible();
  await look("a new trial");
  await page.goto("/cards");
  await look("resins");
  await page.getByRole("link", { name: "Slow coating 1:1" }).click();
  await page.waitForURL("**/cards/**");
  await look("resin card");
  await page.goto("/colours");
  await look("colours");
  await page.getByRole("link", { name: "Red oxide paste" }).click();
  await page.waitForURL("**/colours/**");
  await look("colour card");
  await page.goto("/recipes");
  await look("recipes");
  await page.getByRole("link", { name: /Harbour slate/ }).click();
  await page.waitForURL("**/recipes/**");
  await look("recipe");
  await page.getByLabel("Set beside it").selectOption({ index: 1 });
  await look("two versions side by side");
  await page.goto("/shop/rates");
  await look("rates");
  await page.getByRole("region", { name: "Price list" }).getByRole("button", { name: "from a file" }).click();
  await look("a table from a file");
  await page.keyboard.press("Escape");
  await page.goto("/shop/file");
  await look("the shop in a file");
  await page.goto("/shop");
  await look("shop");
  await page.goto("/jobs");
  await page.getByRole("complementary", { name: "Wet now" }).getByRole("link").click();
  await page.waitForURL("**/pours/**");
  await look("pour");
}

test("every view: axe finds nothing serious, no window is too narrow for it, and the console stays silent", async ({
  page,
}) => {
  const said: string[] = [];
  page.on("console", (message) => {
    // Said by the driver, which keeps service workers out of most journeys.
    if (message.text().startsWith("Service Worker registration blocked by Playwright")) return;
    if (message.type() === "error" || message.type() === "warning")
      said.push(`${message.text()} ${message.location().url}`);
  });
  page.on("pageerror", (error) => said.push(error.message));
  await everyView(page, async (view) => {
    await nothingSerious(page, view);
    await fitsEverywhere(page, view);
  });
  expect(said).toEqual([]);
});

test("the pour on a phone: the button can be reached and is larger than a thumb", async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    baseURL,
  });
  const page = await context.newPage();
  await signIn(page);
  await page.getByRole("complementary", { name: "Wet now" }).getByRole("link").click();
  const done = page.getByRole("button", { name: /^Done/ });
  await done.scrollIntoViewIfNeeded();
  const box = await done.boundingBox();
  expect(box?.height).toBeGreaterThanOrEqual(80);
  expect(box?.width).toBeGreaterThanOrEqual(300);
  await fitsAcross(page, "pour on a phone");
  await context.close();
});
