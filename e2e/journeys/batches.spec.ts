import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import sharp from "sharp";
import { field, makeJob, saved, signIn, stage } from "../fixtures/shop";

const coatForm = (page: Page) => page.getByRole("region", { name: "Coat", exact: true });
const fromMenu = async (page: Page, menu: string, item: string) => {
  await page.getByRole("button", { name: menu, exact: true }).click();
  await page.getByRole("menuitem", { name: item, exact: true }).first().click();
};
const MORE = "start, mixing, rate, faces, stones";
const number = (text: string) => Number(text.replace(/[^\d.]/g, ""));

test("a film by notch, by comb and by kit; stones, fills and a film of its own for one piece", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Films");
  await page.getByRole("button", { name: "Straight run" }).click();
  await fromMenu(page, "add a piece", "River or void");
  await fromMenu(page, "add a piece", "Sample board");
  await page.getByRole("radio", { name: "mm · ml" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "clear", exact: true }).click();

  // A square notch of 6 × 6 mm, 6 mm apart, would leave 3 mm if all of it stayed (arithmetic).
  await page.getByRole("button", { name: "notch", exact: true }).click();
  for (const label of ["Wide", "Deep", "Land between"]) await field(page, label).fill("6 mm");
  await field(page, "Stays").fill("100");
  await expect(
    coatForm(page)
      .getByText(/^3 mm|^3\.00? mm|^3000/)
      .first(),
  ).toBeVisible();
  await page.getByRole("button", { name: "take it" }).click();
  await expect(field(page, "Wet film")).toHaveValue(/^3(\.0+)?$/);

  // The comb's interval is from the last wet tooth to the first dry one.
  await page.getByRole("button", { name: "comb", exact: true }).click();
  await field(page, "Last tooth that is wet").fill("0.8");
  await field(page, "First tooth that is dry").fill("0.7");
  await expect(page.getByText("The first dry tooth stands above the last wet one.")).toBeVisible();
  await field(page, "First tooth that is dry").fill("1");
  await page.getByRole("button", { name: "take it" }).click();
  await expect(field(page, "Wet film")).toHaveValue(/^0\.90?$/);

  // 1.5 US gal on 50 ft² are 1.22 mm (common practice, trade.md: a kit meant for 50 ft²).
  await page.getByRole("button", { name: "kit's area" }).click();
  await field(page, "A kit of").fill("1.5 gal");
  await field(page, "is meant for").fill("50 ft2");
  await page.getByRole("button", { name: "mix by that" }).click();
  // Of that, faces, losses and reserve take their part: what stays on the top is less.
  await expect
    .poll(async () => Number((await field(page, "Wet film").inputValue()).replace(/[^\d.]/g, "")))
    .toBeLessThan(1.2);

  // One mix for all, but the sample board gets its own film, and the river is left out.
  const boxes = coatForm(page).getByRole("checkbox", { name: /Straight run|Sample board/ });
  await expect(boxes).toHaveCount(2);
  await stage(page, "Cups");
  const hero = page.getByRole("region", { name: "How much, and why" }).locator(".figure").first();
  const all = number(await hero.innerText());
  await stage(page, "Build");
  await page.getByRole("checkbox", { name: "Straight run" }).click();
  await stage(page, "Cups");
  await expect.poll(async () => number(await hero.innerText())).toBeLessThan(all / 3);
  await stage(page, "Build");
  await field(page, "Film on Sample board").fill("3");
  await stage(page, "Cups");
  await expect.poll(async () => number(await hero.innerText())).toBeGreaterThan(0);

  // Stones take volume and want clear.
  await stage(page, "Build");
  await page.getByRole("button", { name: MORE }).click();
  await coatForm(page).getByRole("button", { name: "add", exact: true }).click();
  await field(page, "In all").fill("500");
  await expect(page.getByText(/^Takes \d+.* clear to wet and to lock it in/)).toBeVisible();

  // A fill coat goes into the river, in its depth.
  await fromMenu(page, "fill or edge", "Fill");
  await stage(page, "Cups");
  await expect(page.getByText(/^Fill/).first()).toBeVisible();
  await saved(page);
});

test("builds: one of its own for a piece, copied, compared with another job's and taken over", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Builds");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await fromMenu(page, "add a piece", "Round");
  await stage(page, "Build");
  await page.getByRole("button", { name: "base", exact: true }).click();
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await fromMenu(page, "this build", "A build of its own for one piece");
  await page.getByRole("button", { name: "Copy its coats" }).click();
  await expect(coatForm(page).getByText(/1 of 2, one mix/)).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(coatForm(page).getByText("all, one mix")).toBeVisible();

  await fromMenu(page, "this build", "Compare with another job, or take its build");
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Compare with").selectOption({ index: 1 });
  await expect(dialog.getByText(", on these pieces")).toBeVisible();
  await dialog.getByRole("button", { name: /^Take the build of / }).click();
  await expect(dialog).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(coatForm(page).getByText("all, one mix")).toBeVisible();
});

test("cups go by what is at hand; a coarse scale asks for a let-down; what was over-poured changes every number", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Bench at hand");
  await page.getByRole("button", { name: "Straight run" }).click();
  await page.getByRole("radio", { name: "mm · ml" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await stage(page, "Cups");
  const cups = page.getByRole("region", { name: "Cups" });
  const scale = page.getByRole("region", { name: "On the scale" });
  await expect(page.getByRole("heading", { name: "One batch" })).toBeVisible();

  // Small buckets make more batches; the piece shows where one ends and the next begins.
  await field(page, "Cups and buckets, their sizes").fill("250 ml, 500 ml, a litre");
  await field(page, "Cups and buckets, their sizes").press("Enter");
  await expect(page.getByText(/“a litre”/)).toBeVisible();
  await field(page, "Cups and buckets, their sizes").fill("250 ml, 1500 ml");
  await field(page, "Cups and buckets, their sizes").press("Enter");
  await expect(page.getByRole("heading", { name: /^Batch 1 of [2-9]/ })).toBeVisible();
  await expect(cups.getByRole("figure").first()).toBeVisible();
  await expect(cups.getByText(/stays\s+wet/).first()).toBeVisible();
  await page.getByRole("button", { name: "the usual sizes" }).click();
  await expect(page.getByRole("heading", { name: "One batch" })).toBeVisible();

  // Too much colour: the batch grows, or the colour is stronger.
  await scale.getByRole("button", { name: "too much colour, or a bottle runs out" }).click();
  const a = number(await scale.getByRole("listitem").first().locator(".figure").innerText());
  const poured = scale.getByLabel(/, poured$/).first();
  await poured.fill("80");
  await expect(scale.getByText(/is \d.* % too much: bring its cup to/)).toBeVisible();
  await expect
    .poll(async () => number(await scale.getByRole("listitem").first().locator(".figure").innerText()))
    .toBeGreaterThan(a);
  await expect(cups.getByText(/as weighed: \d+ % of the plan/)).toBeVisible();
  await poured.fill("");
  // Stock out: the batch shrinks to what is there, in full pairs.
  await field(page, "B left in its bottle").fill("200");
  await expect(scale.getByText(/^B is short: 200/)).toBeVisible();
  await expect(cups.getByText(/as weighed: \d\d % of the plan/)).toBeVisible();
  await field(page, "B left in its bottle").fill("");
  await expect(cups.getByText(/as weighed/)).toHaveCount(0);

  // A small board: its doses are below what a 1 g scale can weigh.
  await stage(page, "Measure");
  await field(page, "Length").fill("300 mm");
  await field(page, "Depth").fill("200 mm");
  await stage(page, "Cups");
  await expect(scale.getByText(/steps of 1 g|stock of 1 in 10/).first()).toBeVisible();
  await page.getByRole("radio", { name: "0.01 g" }).click();
  await expect(scale.getByText(/steps of 1 g|stock of 1 in 10/)).toHaveCount(0);
});

test("the batch sheet goes out as JSON and as a picture; what to buy counts several jobs", async ({
  page,
}) => {
  await signIn(page);
  const jobId = await makeJob(page, "Out of the cups");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await stage(page, "Cups");
  const [json] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "JSON" }).click(),
  ]);
  const sheet = JSON.parse(readFileSync(await json.path(), "utf8")) as {
    job: string;
    batches: { mixMl: number; cups: { name: string; ml: number }[] }[];
  };
  expect(sheet.job).toBe("Out of the cups");
  expect(sheet.batches.length).toBeGreaterThan(0);
  for (const batch of sheet.batches) {
    const poured = batch.cups.reduce((sum, cup) => sum + cup.ml, 0);
    expect(Math.abs(poured - batch.mixMl)).toBeLessThan(1);
  }

  await page.getByRole("link", { name: "Batch sheet" }).click();
  const [card] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "save as PNG" }).first().click(),
  ]);
  const { format, width } = await sharp(readFileSync(await card.path())).metadata();
  expect(format).toBe("png");
  expect(width).toBeGreaterThan(1000);

  await page.goto(`/jobs/${jobId}/cups`);
  await page.getByRole("link", { name: "What to buy" }).click();
  const cost = page.getByRole("region", { name: "Cost" });
  const figure = cost.locator(".figure").first();
  const alone = number(await figure.innerText());
  expect(alone).toBeGreaterThan(0);
  await expect(cost.getByText(/a ft²/)).toBeVisible();
  const other = cost.getByRole("checkbox", { name: "Serving counter" });
  await other.click();
  await expect.poll(async () => number(await figure.innerText())).toBeGreaterThan(alone);
  await expect(page.getByText("cheapest").first()).toBeVisible();
  expect(page.url()).toContain("with=");
});
