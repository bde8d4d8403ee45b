import { expect, test, type Page } from "@playwright/test";
import { field, openCopy, signIn, stage } from "../fixtures/shop";

const HAND = { email: "tomas@lantern-yard.example", password: "pour-when-ready" };
const shown = async (page: Page) =>
  Number(
    (await page
      .getByRole("region", { name: "Price", exact: true })
      .getByRole("status")
      .textContent())!.replace(/[^\d.]/g, ""),
  );
const type = async (page: Page, label: string, text: string) => {
  await field(page, label).fill(text);
  await field(page, label).press("Tab");
};

test("a job's cost from its plan and its price by the list: to the cent, kept for everybody, nothing typed is lost", async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await stage(page, "Cups");
  await page.getByRole("link", { name: "Cost and price" }).click();
  await page.waitForURL("**/price");
  const path = new URL(page.url()).pathname;
  const cost = page.getByRole("table", { name: "What it costs" });
  await expect(
    cost.getByRole("row", { name: /Slow coating 1:1 .*as the lots on the shelf were paid for/ }),
  ).toBeVisible();
  await expect(cost.getByRole("row", { name: /^Hours Work the plan's own minutes/ })).toBeVisible();
  await expect(cost.getByRole("row", { name: /^Overhead/ })).toContainText("18 % of all else");
  // By hand: 40 ft² at 95.00 and two cut-outs at 75.00 are 3950.00; rush 10 % makes 4345.00; sales tax 7.25 % is 315.01.
  await type(page, "How much, line 1", "0");
  await type(page, "How much, line 2", "40");
  await type(page, "How much, line 4", "0");
  await type(page, "How much, line 5", "2");
  await type(page, "Rush, on top of all lines", "10");
  await expect.poll(() => shown(page)).toBe(4660.01);
  await expect(page.getByRole("region", { name: "Price", exact: true })).toContainText(
    "$4,345.00 and $315.01 sales tax",
  );

  // A line without a word for it is said at its place; a reload loses nothing.
  await page.getByRole("button", { name: "add a line" }).click();
  await type(page, "Each, line 7", "60");
  await page.getByRole("button", { name: "Keep the price" }).click();
  await expect(page.getByText("Type what it is for.")).toBeVisible();
  await page.reload();
  await expect(field(page, "Each, line 7")).toHaveValue("60");
  await type(page, "What for, line 7", "Delivery");
  // 4010.00, rush 401.00, rounded from 4411.00 to 4410.00; tax 319.73.
  await expect.poll(() => shown(page)).toBe(4729.73);
  await page.getByRole("button", { name: "Keep the price" }).press("Enter");
  await expect
    .poll(() => page.evaluate(() => Object.keys(sessionStorage).filter((key) => key.includes("price."))))
    .toEqual([]);

  // The hand sees the same price, and the rates without changing them.
  const theirs = await browser.newContext({ baseURL: baseURL! });
  const hand = await theirs.newPage();
  await signIn(hand, HAND);
  await hand.goto(path);
  await expect.poll(() => shown(hand)).toBe(4729.73);
  await hand.getByRole("link", { name: "rates and price list" }).click();
  await expect(hand.getByText("Only an owner changes them.")).toBeVisible();
  await expect(field(hand, "An hour of one person")).toBeDisabled();
  await theirs.close();
});

test("rates are the owner's: an hour that costs more costs every job more; bad input is said at its place", async ({
  page,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  const price = new URL(page.url()).pathname.replace("measure", "price");
  const work = async () => {
    await page.goto(price);
    const row = page.getByRole("table", { name: "What it costs" }).getByRole("row", { name: /^Hours Work/ });
    return Number((await row.locator("td").last().textContent())!.replace(/[^\d.]/g, ""));
  };
  const before = await work();
  await page.getByRole("link", { name: "rates and price list" }).click();
  await page.waitForURL("**/shop/rates");
  const hourly = Number(await field(page, "An hour of one person").inputValue());
  await type(page, "An hour of one person", String(hourly * 2));
  await page.getByRole("region", { name: "Price list" }).getByRole("button", { name: "add a line" }).click();
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText("Type what it is for.")).toBeVisible();
  await page.getByRole("region", { name: "Price list" }).getByRole("button", { name: "out" }).last().click();
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByRole("button", { name: "back to what is kept" })).toHaveCount(0);
  expect(await work()).toBeCloseTo(2 * before, 1);
  await page.goto("/shop/rates");
  await type(page, "An hour of one person", String(hourly));
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByRole("button", { name: "back to what is kept" })).toHaveCount(0);
  expect(await work()).toBeCloseTo(before, 1);
});
