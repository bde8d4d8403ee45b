import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import { field, makeJob, saved, signIn } from "../fixtures/shop";
import { tabTo } from "../fixtures/keys";

const zones = (page: Page) => page.getByRole("region", { name: "Zones" });
const divide = async (page: Page, item: string) => {
  await page.getByRole("button", { name: "divide it", exact: true }).click();
  await page.getByRole("menuitem", { name: item, exact: true }).click();
};
const rectangle = async (page: Page) => {
  await page.getByRole("button", { name: "Rectangle", exact: true }).click();
  await field(page, "Length").fill("1000 mm");
  await field(page, "Depth").fill("600 mm");
  await page.getByRole("radio", { name: "mm · ml" }).click();
  await expect(field(page, "Length")).toHaveValue("1000");
};

test("a piece is divided: typed sizes, a pull and keys give the same zones, which are the piece", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Zones by hand");
  await rectangle(page);
  await divide(page, "A round or square shape");
  await field(page, "Diameter of the zone").fill("400 mm");
  // π · 0.2² (arithmetic).
  await expect(zones(page)).toContainText(/0\.126\s?m²|0\.13\s?m²/);
  await expect(zones(page)).toContainText("21 % of it");
  await expect(zones(page)).toContainText("79 % of it");

  const shape = page.getByRole("button", { name: "Zone 1: pull it" });
  const box = (await shape.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 90, box.y + box.height / 2, { steps: 6 });
  // Figures follow while it is held, and stay what they were when it is let go.
  const left = field(page, "Middle from the left");
  await expect.poll(async () => Number(await left.inputValue())).toBeLessThan(450);
  await page.mouse.up();
  await expect.poll(async () => Number(await left.inputValue())).toBeLessThan(450);
  const before = Number(await left.inputValue());
  await tabTo(page, /^Zone 1: pull it/);
  await page.keyboard.press("Shift+ArrowRight");
  await expect(left).toHaveValue(String(before + 10));

  await divide(page, "A line from edge to edge");
  await expect(page.getByRole("button", { name: "Point 2 of Zone 2" })).toBeVisible();
  await tabTo(page, /^Point 1 of Zone 2/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Point 4 of Zone 2" })).toBeVisible();

  await page.keyboard.press("Control+z");
  await expect(page.getByRole("button", { name: "Point 4 of Zone 2" })).toBeHidden();
  await saved(page);
  await page.reload();
  await expect(zones(page).getByLabel("Zone", { exact: true })).toHaveCount(2);
  // A click on the drawing picks what lies there.
  const stage = (await page.getByRole("group", { name: "Rectangle, drawn to scale" }).boundingBox())!;
  await page.mouse.click(stage.x + stage.width * 0.72, stage.y + stage.height * 0.5);
  await expect(page.getByRole("button", { name: "Point 1 of Zone 2" })).toBeVisible();
});

test("a zone that cannot be is told where it is typed, and what was typed stays", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Zones that cannot be");
  await rectangle(page);
  await divide(page, "Pebbles");
  await field(page, "Joint").fill("400 mm");
  await expect(zones(page).getByRole("alert")).toHaveText("A joint is narrower than half a stone.");
  await expect(field(page, "Joint")).toHaveValue("400 mm");
  await field(page, "Joint").fill("5 mm");
  await expect(zones(page).getByRole("alert")).toBeHidden();
});

test("an inlay behind tape: its coat, its cups, its tape, by name on the sheet that is read back", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Inlay by zone");
  await rectangle(page);
  await divide(page, "A round or square shape");
  await field(page, "Diameter of the zone").fill("400 mm");
  await field(page, "On its borders").selectOption("tape");
  await expect(zones(page)).toContainText(/1\s?257\s?mm along its borders/);
  await zones(page).getByLabel("Zone", { exact: true }).fill("Leaf");
  await saved(page);

  await page.getByRole("link", { name: "Build" }).first().click();
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await page.getByRole("checkbox", { name: "Rest", exact: true }).click();
  await expect(page.getByRole("checkbox", { name: "Rest", exact: true })).not.toBeChecked();
  await expect(page.getByText("Leaf is taped off, and no pass pulls the tape.")).toBeVisible();
  await saved(page);

  await page.getByRole("link", { name: "Cups" }).first().click();
  await expect(page.getByText("Rectangle, Leaf").first()).toBeVisible();
  const [json] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "JSON" }).click(),
  ]);
  const sheet = JSON.parse(readFileSync((await json.path())!, "utf8")) as { batches: { covers: string }[] };
  expect(sheet.batches.map(({ covers }) => covers)).toContain("Rectangle, Leaf");
});

test("the demo's geode is rehearsed ring by ring, with cups by zone", async ({ page }) => {
  await signIn(page);
  await page.goto("/jobs");
  await page
    .getByRole("link", { name: /Geode, blue and brass/ })
    .first()
    .click();
  // Among the jobs may be one whose name begins with that of a view.
  await page.waitForURL("**/measure");
  await page.getByRole("link", { name: "Cups" }).first().click();
  await expect(page.getByText("Geode, Third ring").first()).toBeVisible();
  await page.getByRole("link", { name: "Rehearse" }).first().click();
  await expect(page.getByRole("heading", { name: "Geode" })).toBeVisible();
  await expect(page.getByText("Character of the pour, not the piece.")).toBeVisible();
});
