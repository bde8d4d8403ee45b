import { expect, test } from "@playwright/test";
import { field, makeJob, signIn, stage } from "../fixtures/shop";

test("a resin card: numbers in, behaviour out, contradictions named, saved, used by a coat, removed", async ({
  page,
}) => {
  test.setTimeout(90_000);
  await signIn(page);
  await page.goto("/cards/new");
  const fit = page.getByRole("region", { name: "What the fit says" });
  await expect(fit.getByText(/usual values of this kind stand in/)).toBeVisible();
  await page.getByRole("button", { name: "Save the card" }).click();
  await expect(
    page.getByRole("alert").filter({ hasText: "Type a name for the resin." }).first(),
  ).toBeVisible();
  await field(page, "Resin").fill("Bench test 2:1");
  await field(page, "Parts of A").fill("2");
  await field(page, "Working time").fill("1 h");
  await field(page, "Pot life").fill("40 min");
  await expect(fit.getByRole("row", { name: /working time 60 min/ })).toBeVisible();
  // A tack-free time of half an hour and a working time of an hour belong to no resin.
  await field(page, "Tack-free").fill("30 min");
  await expect(fit.getByText(/do not belong to one resin|lie outside what a resin/).first()).toBeVisible();
  await field(page, "Tack-free").fill("7 h");
  await expect(fit.getByText(/do not belong to one resin|lie outside what a resin/)).toHaveCount(0);
  await field(page, "Recoat from").fill("9");
  await field(page, "Recoat until").fill("8");
  await page.getByRole("button", { name: "Save the card" }).click();
  await expect(page.getByText("The window ends before it begins.").first()).toBeVisible();
  await expect(field(page, "Recoat until")).toHaveValue("8");
  await field(page, "Recoat until").fill("20");
  await page.getByRole("button", { name: "Save the card" }).click();
  await page.waitForURL("**/cards");
  await expect(page.getByRole("link", { name: "Bench test 2:1" })).toBeVisible();

  await makeJob(page, "Uses the card");
  await page.getByRole("button", { name: "Round" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "clear", exact: true }).click();
  await page.getByLabel("Resin", { exact: true }).selectOption({ label: "Bench test 2:1" });
  await stage(page, "Cups");
  await expect(page.getByText("B, hardener")).toBeVisible();

  await page.goto("/cards");
  await page.getByRole("link", { name: "Bench test 2:1" }).click();
  await page.getByRole("button", { name: "Remove" }).click();
  await page.waitForURL("**/cards");
  await expect(page.getByRole("link", { name: "Bench test 2:1" })).toHaveCount(0);
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Uses the card" }).click();
  await stage(page, "Cups");
  await expect(page.getByText("The resin card of this coat is gone. Choose another.")).toBeVisible();
});
