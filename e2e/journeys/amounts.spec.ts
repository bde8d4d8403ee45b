import { expect, test, type Page } from "@playwright/test";
import { hands } from "../fixtures/hands";
import { field, makeJob, saved, signIn } from "../fixtures/shop";

const button = (page: Page, name: string) => page.getByRole("button", { name, exact: true });
const item = (page: Page, name: string) => page.getByRole("menuitem", { name, exact: true }).first();
const coat = (page: Page) => page.getByRole("region", { name: "Coat", exact: true });
const addColour = (page: Page) => coat(page).getByLabel("Add a colour");
const amountOf = (page: Page, colour: string, unit = "fl oz") => field(page, `Amount of ${colour}, ${unit}`);

test("28 fl oz: two black, fourteen white, twelve silver, on seven square feet", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Said: 28 ounces");
  const { press, type, stage, done } = hands(page);
  await press(button(page, "Straight run"));
  await type("Length", "84 in");
  await type("Depth", "12 in");
  await stage("Build");
  await press(button(page, "colour"));
  // In the order of the cups: white, pewter, black.
  await type("All cups, from the first", "14 : 12 : 2 oz");
  await expect(amountOf(page, "Bone white")).toHaveValue("14");
  await expect(amountOf(page, "Pewter")).toHaveValue("12");
  await expect(amountOf(page, "Ink black")).toHaveValue("2");
  // By hand: 8 % of each cup is held back, 28 / 1.08 = 25.93 are laid; 3 % of these in clear, 0.78: 28.78 in all.
  await expect(field(page, "Mixed in all")).toHaveValue("28¾");
  await expect(coat(page).getByText("follows from the cups").first()).toBeVisible();
  await expect(coat(page).getByText(/^28¾ fl oz leave .* on 7\.0 ft²: /)).toBeVisible();
  done();
  // A cup that is let go takes its share of what the others say.
  await coat(page).getByRole("button", { name: "Let the amount of Ink black follow" }).click();
  await expect(amountOf(page, "Ink black")).toHaveValue("2");
  // Two things that cannot both be are named, with the nearest that can.
  await field(page, "Mixed in all").fill("20 oz");
  await field(page, "Mixed in all").press("Enter");
  await expect(coat(page).getByRole("alert").filter({ hasText: "are to be mixed" })).toBeVisible();
  await button(page, "let the cups follow").click();
  await expect(coat(page).getByRole("alert")).toHaveCount(0);
  await expect(field(page, "Mixed in all")).toHaveValue("20");
  await saved(page);
  await page.reload();
  await expect(field(page, "Mixed in all")).toHaveValue("20");
  await stage("Cups");
  await expect(page.getByText(/^20 fl oz leave /)).toBeVisible();
  await expect(page.getByText("Stays on the top")).toBeVisible();
  // The order of the cups, by keys and by pulling.
  await stage("Build");
  const cups = () =>
    coat(page)
      .getByRole("list", { name: "Cups in the order of pouring" })
      .getByRole("slider")
      .evaluateAll((all) => all.map((one) => one.getAttribute("aria-label")?.replace("Share of ", "")));
  expect(await cups()).toEqual(["Bone white", "Pewter", "Ink black"]);
  await coat(page)
    .getByRole("button", { name: /^Cup 3, Ink black/ })
    .press("ArrowUp");
  await expect.poll(cups).toEqual(["Bone white", "Ink black", "Pewter"]);
  const [from, to] = await Promise.all(
    [/^Cup 1, Bone white/, /^Cup 3, Pewter/].map((name) =>
      coat(page).getByRole("button", { name }).boundingBox(),
    ),
  );
  await page.mouse.move(from!.x + 5, from!.y + 10);
  await page.mouse.down();
  await page.mouse.move(from!.x + 5, from!.y + 30, { steps: 3 });
  await page.mouse.move(to!.x + 5, to!.y + 14, { steps: 3 });
  await page.mouse.up();
  await expect.poll(cups).toEqual(["Ink black", "Pewter", "Bone white"]);
  await page.getByRole("button", { name: "Undo" }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(cups).toEqual(["Bone white", "Pewter", "Ink black"]);
  // Undone, the cups are given again.
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "are to be mixed" })).toBeVisible();
});

test("sixty millilitres into ten little cups of a tumbler, a level spoon in each", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Said: ten little cups");
  await page.getByRole("radio", { name: "mm · ml" }).click();
  const { press, type, choose, stage, done } = hands(page);
  await press(button(page, "Tumbler"));
  await stage("Build");
  await press(button(page, "colour"));
  const known = await addColour(page).locator("option").allTextContents();
  for (const name of known
    .filter((name) => !/add a colour|Bone white|Pewter|Ink black|Clear/.test(name))
    .slice(0, 7))
    await choose(addColour(page), name);
  await type("All cups, from the first", "6 ml each");
  await type("Into each cup", "a level spoon");
  await expect(coat(page).getByRole("slider")).toHaveCount(10);
  await expect(amountOf(page, "Pewter", "ml")).toHaveValue("6");
  // Ten cups of 6 ml, and 3 % of what is laid of them in clear (some colours hold 8 % back, some 5 %).
  await expect(field(page, "Mixed in all")).toHaveValue(/^6[12]$/);
  done();
  await stage("Cups");
  await expect(page.getByText("1 level spoon").first()).toBeVisible();
  await page.getByRole("radio", { name: "in · fl oz" }).click();
});

test("an oval with 90 ml in 10 ml cups", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Said: an oval");
  await page.getByRole("radio", { name: "mm · ml" }).click();
  const { press, type, choose, stage, done } = hands(page);
  await press(button(page, "Oval"));
  await type("Length", "400 mm");
  await type("Depth", "300 mm");
  await stage("Build");
  await press(button(page, "colour"));
  const known = await addColour(page).locator("option").allTextContents();
  for (const name of known
    .filter((name) => !/add a colour|Bone white|Pewter|Ink black|Clear/.test(name))
    .slice(0, 6))
    await choose(addColour(page), name);
  await type("All cups, from the first", "10 ml each");
  await expect(amountOf(page, "Ink black", "ml")).toHaveValue("10");
  done();
  // Far more colour than any mix takes, edited on: what followed lies beyond what is kept, and all of it is saved.
  await type("Into each cup", "30 g");
  await coat(page).getByRole("slider", { name: "Share of Pewter" }).press("ArrowRight");
  await field(page, "Mixed in all").fill("40 l");
  await field(page, "Mixed in all").press("Enter");
  await type("All cups, from the first", "4 l each");
  await field(page, "Wet film").fill("2 mm");
  await field(page, "Wet film").press("Enter");
  await saved(page);
  await page.reload();
  await expect(field(page, "Wet film")).toHaveValue("2.00");
  await page.getByRole("radio", { name: "in · fl oz" }).click();
});

test("a kit of 1.5 gal for 50 ft², and two of them mixed up whole", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Said: by the kit");
  const { press, type, stage, done } = hands(page);
  await press(button(page, "Straight run"));
  await type("Length", "100 in");
  await type("Depth", "36 in");
  await stage("Build");
  await press(button(page, "colour"));
  await press(button(page, "kit's area"));
  await type("A kit of", "1.5 gal");
  await type("is meant for", "50 ft2");
  await press(button(page, "mix by that"));
  // 25 ft² of 50: half of 192 fl oz.
  await expect(field(page, "Mixed in all")).toHaveValue("96");
  done();
  await button(page, "whole kits").click();
  await field(page, "of, A and B").fill("1.5 gal");
  await field(page, "of, A and B").press("Enter");
  await button(page, "mix them all up").click();
  await expect(field(page, "Mixed in all")).toHaveValue("192");
  await field(page, "Kits to mix up").fill("2");
  await expect(field(page, "Mixed in all")).toHaveValue("384");
  await button(page, "batches").click();
  await coat(page).getByLabel("Mixed in", { exact: true }).selectOption("4");
  await stage("Cups");
  await expect(page.getByRole("heading", { name: "Batch 1 of 4" })).toBeVisible();
});

test("a river of thirty fluid ounces", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Said: a river");
  const { press, type, stage, done } = hands(page);
  await press(button(page, "River or void"));
  await stage("Build");
  await press(button(page, "fill or edge"));
  await press(item(page, "Fill"));
  await type("Mixed in all", "30 oz");
  await expect(
    coat(page).getByText(/^30 fl oz leave .* to fill with: \d+.* % of what is filled\./),
  ).toBeVisible();
  done();
});
