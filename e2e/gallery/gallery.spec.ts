import { test, type Page } from "@playwright/test";
import { signIn, stage } from "../fixtures/shop";

const NOW = process.env["GAUGEBEAM_DEMO_NOW"] ?? "";

async function picture(page: Page, name: string): Promise<void> {
  await page.waitForLoadState("networkidle");
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(250);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
}

test("one picture of each main view", async ({ page, browser, baseURL }) => {
  test.setTimeout(240_000);
  await page.clock.setFixedTime(new Date(NOW));
  await signIn(page);
  await picture(page, "jobs");
  await page.goto("/bench");
  await page.getByRole("group", { name: "The shop on one clock" }).waitFor();
  await picture(page, "bench");
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Serving counter" }).click();
  await page.waitForURL("**/measure");
  await page.getByRole("button", { name: "Till run" }).click();
  await picture(page, "measure");
  for (const name of ["Build", "Colour", "Windows", "Cups"] as const) {
    await stage(page, name);
    await picture(page, name.toLowerCase());
  }
  await page.getByRole("link", { name: "Batch sheet" }).click();
  await page.waitForURL("**/sheets/batch");
  await picture(page, "batch-sheet");
  await stage(page, "Cups");
  await page.getByRole("link", { name: "What to buy" }).click();
  await page.waitForURL("**/buy");
  await page.getByRole("checkbox", { name: "Reception desk" }).click();
  await page.waitForURL("**/buy?with=*");
  await picture(page, "buy");
  await page.getByRole("link", { name: "back to the cups" }).click();
  await stage(page, "Rehearse");
  await page.getByText(/^clear$|a little muddy|^muddy|^mud/).waitFor();
  await page.waitForTimeout(4000);
  await picture(page, "rehearse");
  await page.goto("/jobs");
  await page.getByRole("link", { name: "River table, elm" }).click();
  await page.waitForURL("**/measure");
  await picture(page, "measure-river");
  await stage(page, "Build");
  await page.getByRole("button", { name: /^River, first layer/ }).click();
  await page
    .getByRole("region", { name: "Heat in the pour" })
    .getByText(/One lift|lifts, each/)
    .waitFor();
  await picture(page, "build-river");
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Reception desk" }).click();
  await stage(page, "Log");
  const beams = page.getByRole("heading", { name: "Planned against done" });
  await beams.evaluate((heading) => heading.scrollIntoView({ block: "start" }));
  await picture(page, "log");
  await page.goto("/colours");
  await picture(page, "colour-cards");
  await page.goto("/recipes");
  await picture(page, "recipes");
  await page.getByRole("link", { name: /Harbour slate/ }).click();
  await page.waitForURL("**/recipes/*");
  await picture(page, "recipe");
  await page.goto("/cards");
  await page.getByRole("link", { name: "Slow coating 1:1" }).click();
  await page.waitForURL("**/cards/**");
  await picture(page, "resin-card");
  await page.goto("/jobs");
  await page.getByRole("complementary", { name: "Wet now" }).getByRole("link").click();
  await page.waitForURL("**/pours/**");
  await picture(page, "pour");

  const phone = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    baseURL,
  });
  const small = await phone.newPage();
  await small.clock.setFixedTime(new Date(NOW));
  await signIn(small);
  await small.getByRole("complementary", { name: "Wet now" }).getByRole("link").click();
  await small.waitForURL("**/pours/**");
  await picture(small, "pour-on-a-phone");
  await phone.close();
});
