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

/** Nothing runs out of the window sideways. */
async function fitsAcross(page: Page, view: string): Promise<void> {
  const over = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect([view, over <= 1]).toEqual([view, true]);
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
  await page.goBack();
  await page.waitForURL("**/sheets/batch");
  await page.getByRole("link", { name: "Run sheet" }).click();
  await page.waitForURL("**/sheets/run");
  await look("run sheet");
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Reception desk" }).click();
  await stage(page, "Log");
  await look("log of a pour");
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
  await page.goto("/shop");
  await look("shop");
  await page.goto("/jobs");
  await page.getByRole("complementary", { name: "Wet now" }).getByRole("link").click();
  await page.waitForURL("**/pours/**");
  await look("pour");
}

test("axe finds nothing serious on any view, and the console stays silent: no error, no blocked style", async ({
  page,
}) => {
  test.setTimeout(300_000);
  const said: string[] = [];
  page.on("console", (message) => {
    if (message.type() === "error" || message.type() === "warning")
      said.push(`${message.text()} ${message.location().url}`);
  });
  page.on("pageerror", (error) => said.push(error.message));
  await everyView(page, (view) => nothingSerious(page, view));
  expect(said).toEqual([]);
});

test("at 200 % zoom no view runs out of the window, and the road can still be walked", async ({
  browser,
  baseURL,
}) => {
  test.setTimeout(120_000);
  // 200 % of a 1280 × 800 window leaves 640 × 400 CSS pixels.
  const context = await browser.newContext({
    viewport: { width: 640, height: 400 },
    deviceScaleFactor: 2,
    baseURL,
  });
  const page = await context.newPage();
  await everyView(page, (view) => fitsAcross(page, view));
  await context.close();
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

test("no view is wider than its screen: phone, tablet, small laptop", async ({ page }) => {
  test.setTimeout(150_000);
  await signIn(page);
  await page.goto("/jobs");
  const href = await page.getByRole("link", { name: "Reception desk" }).getAttribute("href");
  const ofJob = ["measure", "build", "colour", "cups", "windows", "rehearse", "buy", "log"].map((view) =>
    (href ?? "").replace("measure", view),
  );
  for (const width of [360, 768, 1024]) {
    await page.setViewportSize({ width, height: 800 });
    for (const path of ["/bench", "/jobs", "/recipes", "/colours", "/cards", "/shop", ...ofJob]) {
      await page.goto(path);
      await expect(page.getByRole("main")).toBeVisible();
      await fitsAcross(page, `${path} at ${width}`);
    }
  }
});
