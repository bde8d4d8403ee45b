import { test, type Page } from "@playwright/test";
import { signIn, stage } from "../fixtures/shop";

const NOW = process.env["GAUGEBEAM_DEMO_NOW"] ?? "";

async function picture(page: Page, name: string): Promise<void> {
  await page.waitForLoadState("networkidle");
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(250);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
}

/** Some pulls on the wet piece, and what they were. */
async function practise(page: Page): Promise<void> {
  const board = page.getByRole("application");
  await page.waitForTimeout(4000);
  const box = await board.boundingBox();
  if (!box) throw new Error("no board");
  for (let n = 0; n < 6; n += 1) {
    await page.mouse.move(box.x + 60 + n * 120, box.y + 70);
    await page.mouse.down();
    for (let k = 1; k <= 16; k += 1)
      await page.mouse.move(box.x + 60 + n * 120 + k * 24, box.y + 70 + k * 13 + 12 * Math.sin(k / 2));
    await page.mouse.up();
    await page.waitForTimeout(300);
  }
  await page.getByRole("button", { name: "Stop here, and what was it?" }).click();
  await page.getByRole("region", { name: "Critique" }).waitFor({ timeout: 60_000 });
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
  await stage(page, "Rehearse");
  await page.locator("[aria-busy=false]").filter({ hasText: "mud, over what was poured" }).waitFor();
  await page.waitForTimeout(4000);
  await picture(page, "rehearse");
  await page.getByRole("link", { name: "Practice" }).click();
  await practise(page);
  await picture(page, "practice");
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Reception desk" }).click();
  await stage(page, "Inspect");
  await page.getByRole("tab", { name: "Film" }).click();
  await page.getByRole("radio", { name: /^Colour/ }).click();
  await picture(page, "inspect");
  await page.goto("/shelf");
  await page.getByRole("link", { name: "Slow coating 1:1" }).click();
  await page.getByRole("region", { name: "Slow coating 1:1", exact: true }).waitFor();
  await page.getByRole("button", { name: "in which pieces" }).first().click();
  await picture(page, "shelf");
  await page.goto("/learn");
  await page.getByRole("img", { name: /^Forecasts/ }).waitFor();
  await picture(page, "learn");
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Reception desk" }).click();
  await stage(page, "Log");
  const beams = page.getByRole("heading", { name: "Planned against done" });
  await beams.evaluate((heading) => heading.scrollIntoView({ block: "start" }));
  await picture(page, "log");
  await page.goto("/quotes");
  await page
    .getByRole("row", { name: /Island with a leaf/ })
    .getByRole("link")
    .click();
  await page.getByRole("article").waitFor();
  await picture(page, "quote");
  await page.goto("/colours");
  await picture(page, "colour-cards");
  await page.goto("/recipes");
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
  await page.waitForTimeout(4000);
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
  await small.waitForTimeout(4000);
  await picture(small, "pour-on-a-phone");
  await phone.close();
});
