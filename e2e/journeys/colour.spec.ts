import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import sharp from "sharp";
import { ciede2000 } from "@/core/colour/ciede2000";
import { hexOfChannels, labOfHex } from "@/core/colour/spaces";
import { field, makeJob, saved, signIn, stage } from "../fixtures/shop";

const mixPanel = (page: Page) => page.getByRole("region", { name: "Mix", exact: true });
const looks = (page: Page) => page.getByRole("region", { name: "Looks" });
/** The colour in the middle of an element, as the screen shows it. */
async function pixel(page: Page, name: string | RegExp): Promise<string> {
  const bytes = await page.getByRole("img", { name }).first().screenshot();
  const { data, info } = await sharp(bytes).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const at = (Math.floor(info.height / 3) * info.width + Math.floor(info.width / 2)) * info.channels;
  return hexOfChannels([data[at]!, data[at + 1]!, data[at + 2]!]);
}

test("a mix from the shelf: film, average and cups follow a dose; the swatch on the screen is its L*a*b*", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Colour by dose");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "base", exact: true }).click();
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await stage(page, "Colour");
  await expect(mixPanel(page).getByText("Its look is typed, its pigments are not known.")).toBeVisible();
  await expect(looks(page).getByText("typed; its pigments are not known").first()).toBeVisible();

  // White over the black base: too little ghosts, and what would help is said.
  await mixPanel(page).getByLabel("Add a colourant").selectOption({ label: "White paste" });
  await mixPanel(page).getByLabel("White paste, g in 100 g").fill("1.5");
  await expect(mixPanel(page).getByText(/^Not seen from .* times the load/)).toBeVisible();
  const labels = looks(page)
    .getByText(/^L\* \d/)
    .first();
  const lab = async () => (await labels.innerText()).match(/-?\d+/g)!.map(Number);
  const thin = await lab();
  await mixPanel(page).getByLabel("White paste, g in 100 g").fill("10");
  await expect.poll(async () => (await lab())[0]!).toBeGreaterThan(thin[0]! + 3);
  await expect(mixPanel(page).getByText(/^Not seen from/)).toHaveCount(0);

  // The pixel on the screen is the L*a*b* beside it.
  await mixPanel(page).getByLabel("Add a colourant").selectOption({ label: "Red oxide paste" });
  await expect.poll(async () => (await lab())[1]!).toBeGreaterThan(15);
  const [L, a, b] = (await lab()) as [number, number, number];
  const shown = labOfHex(await pixel(page, /^Bone white, a film/));
  expect(ciede2000(shown, [L, a, b])).toBeLessThan(1);

  // Over the limit of its card: said, not stopped.
  await mixPanel(page).getByLabel("White paste, g in 100 g").fill("14");
  await expect(
    mixPanel(page).getByText("More White paste than its card allows: 10 g in 100 g."),
  ).toBeVisible();
  await mixPanel(page).getByLabel("White paste, g in 100 g").fill("8");
  await mixPanel(page).getByRole("button", { name: "Take out Red oxide paste" }).click();

  // Black beside white: the ladder in drops.
  await mixPanel(page).getByLabel("Add a colourant").selectOption({ label: "Black paste" });
  await mixPanel(page).getByLabel("Black paste, g in 100 g").fill("0.1");
  await field(page, "Wished grey, L*").fill("60");
  await mixPanel(page).getByRole("button", { name: "take it" }).click();
  await expect.poll(async () => Math.abs((await lab())[0]! - 60)).toBeLessThanOrEqual(1);
  await expect(mixPanel(page).getByText(/At the ends .* half and twice as strong/)).toBeVisible();

  // Both colourants go on the scale, and into the cup.
  await stage(page, "Cups");
  const scale = page.getByRole("region", { name: "On the scale" });
  await expect(scale.getByText("White paste into cup 1")).toBeVisible();
  await expect(scale.getByText("Black paste into cup 1")).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(scale.getByText("Black paste into cup 1")).toBeVisible();
});

test("the client's tile beside the average in one light; a recipe for it from the shelf", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Colour by target");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await stage(page, "Colour");
  await field(page, "Target tile").fill("Subway tile");
  await field(page, "Its colour: hex, or L a b").fill("a nice grey");
  await field(page, "Its colour: hex, or L a b").press("Enter");
  await expect(page.getByText("Write a colour as #7F3A2B, or as L*a*b*: 78 1 4.")).toBeVisible();
  await expect(field(page, "Its colour: hex, or L a b")).toHaveValue("a nice grey");
  await field(page, "Its colour: hex, or L a b").fill("62 -11 12");
  await field(page, "Its colour: hex, or L a b").press("Enter");
  await expect(looks(page).getByText("Difference, ΔE00")).toBeVisible();
  expect(ciede2000(labOfHex(await pixel(page, "Target Subway tile")), [62, -11, 12])).toBeLessThan(1);

  // The same tile, but warmer; a cabinet beside it; each under every lamp.
  const lamps = page.getByRole("region", { name: "Under other lamps" });
  await page.getByRole("button", { name: "warmer", exact: true }).click();
  await expect(lamps.getByRole("row", { name: /^Subway tile, warmer/ })).toBeVisible();
  await page.getByRole("button", { name: "cooler", exact: true }).click();
  const row = (name: string) => lamps.getByRole("row", { name: new RegExp(`^${name}`) });
  await expect(row("Subway tile")).toContainText("the worst");
  await field(page, "Target tile").fill("Cabinet");
  await field(page, "Its colour: hex, or L a b").fill("#3A3F44");
  await page.getByRole("button", { name: "set beside the first" }).click();
  await expect(row("Cabinet").getByRole("cell")).toHaveCount(6);
  await row("Cabinet").getByRole("button", { name: "Cabinet first" }).click();
  await expect(page.getByRole("img", { name: "Target Cabinet" })).toBeVisible();
  await row("Subway tile").getByRole("button", { name: "Subway tile first" }).click();
  await expect(page.getByRole("img", { name: "Target Subway tile" })).toBeVisible();
  await row("Cabinet").getByRole("button", { name: "Leave out Cabinet" }).click();
  await expect(row("Cabinet")).toHaveCount(0);

  await page.getByRole("button", { name: "take the colour of Subway tile" }).click();
  await page.getByRole("button", { name: "propose" }).click();
  const proposals = page.getByRole("list", { name: "Proposals" });
  await expect(proposals.getByRole("button", { name: "take it" }).first()).toBeVisible();
  const first = (await proposals.getByRole("listitem").first().innerText()).match(/ΔE ([\d.]+)/)!;
  expect(Number(first[1])).toBeLessThan(3);
  await proposals.getByRole("button", { name: "take it" }).first().click();
  await expect(
    mixPanel(page)
      .getByLabel(/, g in 100 g$/)
      .first(),
  ).toBeVisible();
  const shown = labOfHex(await pixel(page, /^Bone white, a film/));
  expect(ciede2000(shown, [62, -11, 12])).toBeLessThan(6);
  await page.keyboard.press("Control+z");
  await expect(mixPanel(page).getByText("Its look is typed")).toBeVisible();

  // The same beside its cup, in Build.
  await stage(page, "Build");
  const coat = page.getByRole("region", { name: "Coat", exact: true });
  await coat.getByRole("button", { name: /^Bone white/ }).click();
  await coat.getByRole("button", { name: "a recipe from the shelf" }).click();
  await coat.getByRole("button", { name: "take the colour of Subway tile" }).click();
  await coat.getByRole("button", { name: "propose" }).click();
  await proposals.getByRole("button", { name: "take it" }).first().click();
  await saved(page);
  await stage(page, "Colour");
  const again = labOfHex(await pixel(page, /^Bone white, a film/));
  expect(ciede2000(again, [62, -11, 12])).toBeLessThan(6);
});

test("a colour card from two swatches: one alone is rough, two that clash are told, saved it is on the shelf", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/colours");
  await expect(page.getByRole("link", { name: "Phthalo blue paste" })).toBeVisible();
  const [palette] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "palette" }).click(),
  ]);
  expect(readFileSync(await palette.path(), "utf8")).toMatch(/^GIMP Palette\n[\s\S]*\tPhthalo blue paste\n/);
  const [shelf] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "CSV" }).click(),
  ]);
  expect(readFileSync(await shelf.path(), "utf8")).toContain("Phthalo blue paste,PB15:3,opaque paste,#");
  await page.getByRole("link", { name: "New colour" }).click();
  const what = page.getByRole("region", { name: "What it does" });
  const full = page.getByLabel(/^Full strength/);
  const tint = page.getByLabel(/^Let down with white/);
  await full.fill("#1A3E8");
  await expect(page.getByText("Write a colour as #7F3A2B")).toBeVisible();
  await page.getByRole("button", { name: "Save the card" }).click();
  await expect(page.getByText("Type a name for the colour.")).toBeVisible();
  await full.fill("#1A3E8C");
  await expect(what.getByText(/^Rough: one swatch/)).toBeVisible();
  await tint.fill("#E8B0A0");
  await expect(what.getByText(/can hardly be of one pigment/)).toBeVisible();
  await tint.fill("#8FA3C4");
  await expect(what.getByText(/within ΔE 1\.3 on average/)).toBeVisible();
  await field(page, "Name").fill("Harbour blue");
  await page.getByRole("button", { name: "Save the card" }).click();
  await page.waitForURL("**/colours");
  await page.getByRole("link", { name: "Harbour blue" }).click();
  await expect(page.getByLabel(/^Full strength/)).toHaveValue("#1A3E8C");
  await page.getByRole("button", { name: "remove it" }).click();
  await page.waitForURL("**/colours");
  await expect(page.getByRole("link", { name: "Harbour blue" })).toHaveCount(0);
});

test("a colour is found on the shelf by hue and form, and added from the keys", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Found by hue");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "colour", exact: true }).click();
  const find = field(page, "Find a colour");
  await find.fill("purple elephant");
  await expect(page.getByText("None is called or looks so.")).toBeVisible();
  await find.fill("blue mica");
  const found = page.getByRole("list", { name: "Found colours" });
  await expect(found.getByRole("button")).toHaveText([/Blue mica/]);
  await find.press("Enter");
  await expect(page.getByRole("slider", { name: "Share of Blue mica" })).toBeVisible();
  await expect(find).toHaveValue("");
  await find.fill("gold");
  await found.getByRole("button").first().click();
  await expect(page.getByRole("slider")).toHaveCount(5);
  await saved(page);
});
