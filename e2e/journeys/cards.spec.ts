import { expect, test } from "@playwright/test";
import { field, makeJob, signIn, stage } from "../fixtures/shop";

test("a resin card: numbers in, behaviour out, contradictions named, saved, used by a coat, removed", async ({
  page,
}) => {
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

test("own tests, a second gel time and two resins side by side: the beam follows what was seen", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/cards");
  await page.getByRole("link", { name: "Slow coating 1:1" }).click();
  await page.waitForURL("**/cards/**");
  const fit = page.getByRole("region", { name: "What the fit says" });
  const atTwenty = () =>
    fit.getByRole("slider", { name: /Slow coating 1:1 at 68 °F/ }).getAttribute("aria-valuetext");
  const look = async () => {
    await fit.getByRole("slider", { name: /Slow coating 1:1 at 68 °F/ }).focus();
    for (let press = 0; press < 3; press += 1) await page.keyboard.press("PageDown");
    return atTwenty();
  };
  const asSheet = await look();
  expect(asSheet).toMatch(/^after 3 h 00: 68 °F · (flowing|heavy) · .* flow left \d+ %.*; you may: /);
  await page.getByRole("button", { name: "add a test" }).click();
  await field(page, "after, test 1").fill("1 h");
  await expect(fit.getByRole("row", { name: /gummy test 60 min/ })).toBeVisible();
  await expect(fit.getByText(/do not belong to one resin: check one/).first()).toBeVisible();
  expect(await look()).not.toBe(asSheet);
  await page.getByLabel("Test 1", { exact: true }).selectOption({ label: "cup has gelled" });
  await field(page, "in a cup of, test 1").fill("");
  await expect(page.getByRole("alert").first()).toBeVisible();
  await page.getByRole("button", { name: "out", exact: true }).last().click();
  await field(page, "Gel").fill("5");
  await field(page, "Gel at another").fill("2.4");
  await field(page, "namely at").fill("34 C");
  await expect(fit.getByText(/From its two gel times: it goes \d(\.\d)? times as fast/)).toBeVisible();

  // Its room is asked for, and kept with the card.
  await field(page, "Not colder than").fill("66 F");
  await field(page, "Not warmer than").fill("60 F");
  await page.getByRole("button", { name: "Save the card" }).click();
  await expect(page.getByText("The warmest room is colder than the coldest.").first()).toBeVisible();

  // A pot left standing, and spread out.
  const pot = fit.getByRole("region", { name: "In the pot" });
  await expect(pot.getByText(/boils and smokes/).first()).toBeVisible();
  await pot.getByRole("radio", { name: /spread out/ }).click();
  await expect(pot.getByText(/boils and smokes/)).toHaveCount(0);
  await page.getByLabel("Set beside it").selectOption({ label: "Fast resin 2:1" });
  await expect(fit.getByRole("group", { name: /^Fast resin 2:1 at/ })).toHaveCount(4);
  await expect(pot.getByText("Fast resin 2:1")).toBeVisible();
});
