import { expect, test } from "@playwright/test";
import { field, makeJob, saved, signIn, stage } from "../fixtures/shop";

test("the log proposes what the pours took; taken over it reaches a new job, a planned one when it says so, and it is taken back", async ({
  page,
}) => {
  await signIn(page);
  await page.getByRole("link", { name: "Learn", exact: true }).click();
  await page.waitForURL("**/learn");
  await expect(page.getByRole("heading", { name: "How good are we?" })).toBeVisible();
  const proposals = page.getByRole("region", { name: "Proposals" });
  await expect(
    proposals.getByText(/^Your last \d+ pours took .* more than planned each, most likely/),
  ).toBeVisible();
  // What it would do to an open job, before and after.
  const counter = proposals.getByRole("row", { name: /Serving counter/ });
  const [before, after] = await counter.locator(".figure").allTextContents();
  expect(before).not.toBe(after);
  // The spread is told, and how many held.
  await expect(page.getByRole("img", { name: /^Forecasts of \d+ coats/ })).toBeVisible();
  await expect(page.getByText(/It does not go with the others and counts little/)).toContainText("Bar end");

  await proposals.getByRole("button", { name: "Plan with it" }).first().click();
  await expect(proposals.getByRole("button", { name: /^Take the shop's losses back/ })).toBeVisible();
  await expect(page.getByRole("region", { name: "Losses and film" })).toContainText("the shop's own, from");

  // A new job begins with it, and says where it comes from.
  await makeJob(page, "With our own losses");
  await page.getByRole("button", { name: "Round" }).click();
  await field(page, "Diameter").fill("30 in");
  await saved(page);
  await stage(page, "Build");
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await saved(page);
  await stage(page, "Cups");
  await expect(page.getByText("Losses and film are the shop's own, as its log has them.")).toBeVisible();

  // A job that is planned keeps its own until one says otherwise.
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Serving counter" }).first().click();
  await page.waitForURL("**/measure");
  await stage(page, "Cups");
  await expect(page.getByText(/planned with other losses than the shop's own/)).toBeVisible();
  await page.getByRole("button", { name: "Plan it with the shop's own" }).click();
  await saved(page);
  await page.getByRole("button", { name: /^Cups/ }).first().click();
  await expect(page.getByText(/It is the shop's own, from \d+ pours, taken over/)).toBeVisible();
  await page.getByRole("button", { name: "undo" }).click();
  await saved(page);

  await page.goto("/learn");
  await proposals.getByRole("button", { name: /^Take the shop's losses back/ }).click();
  await expect(proposals.getByRole("button", { name: "Plan with it" }).first()).toBeVisible();
});

test("a hand sees what was learnt and its own times, decides nothing, and is not shown another's", async ({
  browser,
}) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  await signIn(page, { email: "tomas@lantern-yard.example", password: "pour-when-ready" });
  await page.goto("/learn");
  await expect(page.getByText("An owner of the shop decides it.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Plan with it" })).toHaveCount(0);
  const people = page.getByRole("table", { name: "Time by person" });
  await expect(people).toContainText("Tomas Reyle");
  await expect(people).not.toContainText("Ines Calder");
  await context.close();
});

test("what the log says of a resin's speed leads to its card, and there to a test of the shop's own", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/learn");
  const resin = page.getByRole("region", { name: "Resins" }).getByRole("link", { name: "Slow coating 1:1" });
  const card = await resin.getAttribute("href");
  await resin.click();
  await page.waitForURL("**/cards/**");
  await expect(page.getByText(/^By your log a film draws no more string/)).toHaveCount(0);
  // As Learn's link names what it proposes; nonsense proposes nothing.
  await page.goto(`${card}?string=soon`);
  await expect(page.getByRole("heading", { name: "Your own tests" })).toBeVisible();
  await expect(page.getByText(/^By your log a film draws no more string/)).toHaveCount(0);
  await page.goto(`${card}?string=410`);
  await expect(
    page.getByText(/^By your log a film draws no more string after 6 h 50 min at 7/),
  ).toBeVisible();
  await page.getByRole("button", { name: "Add it as a test of your own" }).click();
  await expect(page.getByLabel("Test 1", { exact: true })).toHaveValue("string");
  await expect(page.getByText(/^By your log a film draws no more string/)).toHaveCount(0);
  await page.getByRole("button", { name: "back to as it was saved" }).click();
  await expect(page.getByLabel("Test 1", { exact: true })).toHaveCount(0);
});
