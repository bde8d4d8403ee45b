import { readFileSync } from "node:fs";
import { expect, test, type Locator, type Page } from "@playwright/test";
import sharp from "sharp";
import { recipeFile } from "@/contracts/recipes";
import { ciede2000 } from "@/core/colour/ciede2000";
import { labOfHex } from "@/core/colour/spaces";
import { field, makeJob, saved, signIn, stage } from "../fixtures/shop";

const dialog = (page: Page) => page.getByRole("dialog");

/** A photograph: left half of one colour, right half a grey card, as a camera on its side writes it, with a place in it. */
async function photograph(hex: string, { turned = false } = {}): Promise<Buffer> {
  const [width, height] = [800, 600];
  const half = (background: string) =>
    sharp({ create: { width: width / 2, height, channels: 3, background } })
      .png()
      .toBuffer();
  const picture = sharp({ create: { width, height, channels: 3, background: "#444444" } }).composite([
    { input: await half(hex), left: 0, top: 0 },
    { input: await half("#767676"), left: width / 2, top: 0 },
  ]);
  const flat = await picture.png().toBuffer();
  return turned
    ? sharp(flat)
        .rotate(270)
        .withMetadata({ orientation: 6 })
        .withExifMerge({ IFD0: { Copyright: "a place nobody should know" } })
        .jpeg({ quality: 95 })
        .toBuffer()
    : sharp(flat).jpeg({ quality: 95 }).toBuffer();
}

const upload = (page: Page, label: string | RegExp, name: string, buffer: Buffer, mimeType: string) =>
  page.getByLabel(label, { exact: typeof label === "string" }).setInputFiles({ name, mimeType, buffer });

async function click(canvas: Locator, x: number, y: number): Promise<void> {
  const box = (await canvas.boundingBox())!;
  await canvas.click({ position: { x: box.width * x, y: box.height * y } });
}

/** A job with a base and a colour coat, kept as a recipe. */
async function keepRecipe(page: Page, name: string): Promise<void> {
  await makeJob(page, `${name}, first`);
  await page.getByRole("button", { name: "Rectangle" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "base", exact: true }).click();
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await page.getByRole("button", { name: "this build" }).click();
  await page.getByRole("menuitem", { name: "Keep it as a recipe" }).click();
  await field(page, "Name of the recipe").fill("  ");
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(dialog(page).getByText("Type a name for the recipe.")).toBeVisible();
  await field(page, "Name of the recipe").fill(name);
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(page.getByRole("note", { name: "Recipe" })).toContainText(`${name}, version 1`);
  await saved(page);
}

test("a build is kept, changed, kept again: what changed is told, two versions stand side by side, the tree grows", async ({
  page,
}) => {
  await signIn(page);
  await keepRecipe(page, "Estuary");
  const line = page.getByRole("note", { name: "Recipe" });
  await expect(line).toContainText("unchanged");

  // A film and a share; undo says unchanged again.
  await page.getByLabel("Wet film").fill("4");
  await expect(line.getByRole("button", { name: /^Colour: film 3\.14 fl oz\/ft² to 4\.00/ })).toBeVisible();
  await saved(page);
  await line.getByRole("button", { name: "keep as a new version" }).click();
  await expect(dialog(page).getByRole("list", { name: "What changed" })).toContainText("film 3.14 fl oz/ft²");
  await field(page, "What changed and why, in your words").fill("thicker, the bands ran dry");

  // Reloaded before it was kept: the words are still there.
  await page.reload();
  await line.getByRole("button", { name: "keep as a new version" }).click();
  await expect(field(page, "What changed and why, in your words")).toHaveValue("thicker, the bands ran dry");
  await page.getByRole("button", { name: "Keep as the next version" }).click();
  await expect(line).toContainText("version 2");
  await expect(line).toContainText("unchanged");
  await saved(page);

  await line.getByRole("link", { name: "Estuary" }).click();
  const versions = page.getByRole("list", { name: "Versions" });
  await expect(versions.getByRole("listitem")).toHaveCount(2);
  await expect(versions.getByRole("button", { name: /^Version 2/ })).toContainText(
    "thicker, the bands ran dry",
  );
  await expect(page.getByRole("list", { name: "What changed" })).toContainText("film 3.14 fl oz/ft² to 4.00");
  await expect(page.getByRole("link", { name: "Estuary, first" })).toBeVisible();
  await page.getByLabel("Set beside it").selectOption("version 1");
  await expect(page.getByRole("heading", { name: "Version 1 beside version 2" })).toBeVisible();
  await expect(page.getByRole("list", { name: "What differs" }).getByRole("listitem")).toHaveCount(1);
  await expect(page.getByText("The same in both: Base, black.")).toBeVisible();
  await page.getByRole("button", { name: "close" }).click();

  // By keyboard: the older version is picked, and shown.
  await versions.getByRole("button", { name: /^Version 1/ }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Version 1", exact: true })).toBeVisible();
});

test("a board: its picture upright and without its place, its colour by pointer and by keys, approved; a job of any size from it", async ({
  page,
}) => {
  await signIn(page);
  await keepRecipe(page, "Breakwater");
  await page.getByRole("note", { name: "Recipe" }).getByRole("link", { name: "Breakwater" }).click();
  await page.getByRole("button", { name: "keep a board that was poured" }).click();
  await field(page, "Poured on").fill("");
  await field(page, "What came of it, and what to change").fill("a little less white");
  await page.getByRole("button", { name: "Keep the board" }).click();
  await expect(dialog(page).getByText("Write the date as year-month-day.")).toBeVisible();
  await expect(field(page, "What came of it, and what to change")).toHaveValue("a little less white");
  await field(page, "Poured on").fill("2026-03-02");

  await upload(page, "Picture of the board", "notes.txt", Buffer.from("no picture"), "text/plain");
  await expect(dialog(page).getByText(/cannot read that as a picture/)).toBeVisible();
  await upload(
    page,
    "Picture of the board",
    "board.jpg",
    await photograph("#8A6A4F", { turned: true }),
    "image/jpeg",
  );
  const shown = dialog(page).getByRole("img", { name: "The board", exact: true });
  await expect(shown).toBeVisible();
  const bytes = await (await page.request.get((await shown.getAttribute("src"))!)).body();
  const meta = await sharp(bytes).metadata();
  expect([meta.format, meta.width, meta.height, meta.exif, meta.orientation]).toEqual([
    "webp",
    800,
    600,
    undefined,
    undefined,
  ]);
  const small = await page.request.get(`${await shown.getAttribute("src")}/small`);
  expect((await sharp(await small.body()).metadata()).width).toBe(480);

  // Its colour: by pointer, then by keys alone.
  const wanted = labOfHex("#8A6A4F");
  const picked = async () => {
    const words = await dialog(page)
      .getByText(/^L\* \d/)
      .innerText();
    return words.match(/-?\d+/g)!.map(Number) as [number, number, number];
  };
  await page.getByRole("button", { name: "pick its colour" }).click();
  const canvas = page.getByRole("application");
  await expect(dialog(page).getByText(/^Click the grey card/)).toBeVisible();
  await click(canvas, 0.75, 0.5);
  await click(canvas, 0.25, 0.5);
  expect(ciede2000(await picked(), wanted)).toBeLessThan(2);
  await dialog(page).getByRole("radio", { name: "grey card" }).click();
  await canvas.focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  for (let press = 0; press < 3; press += 1) await page.keyboard.press("Shift+ArrowLeft");
  expect(ciede2000(await picked(), wanted)).toBeLessThan(2);
  await dialog(page).getByRole("radio", { name: "indoors" }).click();
  await expect(dialog(page).getByText(/give or take ΔE 6/)).toBeVisible();
  await page.getByRole("button", { name: "take it for the board" }).click();
  await expect(dialog(page).getByText(/^board, from a photo indoors with a grey card; ΔE/)).toBeVisible();
  await field(page, "The client's word").fill("that is the one");
  await dialog(page).getByRole("radio", { name: "approved" }).click();
  await page.getByRole("button", { name: "Keep the board" }).click();
  const boards = page.getByRole("list", { name: "Sample boards" });
  await expect(boards).toContainText("approved");
  await expect(boards).toContainText("“that is the one”");
  await page.reload();
  await expect(boards).toContainText("from a photo indoors");
  expect(
    await boards
      .getByRole("img", { name: /^Board \d+$/ })
      .evaluate((image: HTMLImageElement) => image.naturalWidth),
  ).toBe(480);

  // From the board to a kitchen, in one step; what does not scale is said while the size is typed.
  await boards.getByRole("button", { name: "Make a job from it" }).click();
  await page.getByRole("button", { name: "Make the job" }).click();
  await expect(dialog(page).getByText("Type a name for the job.")).toBeVisible();
  await field(page, "Name of the job").fill("Breakwater kitchen");
  await field(page, "First run, length").fill("12 ft");
  const notes = page.getByRole("region", { name: "What does not scale" });
  await expect(notes.getByText(/^Type a size/)).toBeVisible();
  await field(page, "Depth").fill("25.5 in");
  await expect(notes).toContainText("The board is worked in");
  await expect(notes).toContainText(/Bands as wide as on the board make about \d+ times as many/);
  await page.getByRole("button", { name: "Make the job" }).click();
  await page.waitForURL("**/cups");
  await stage(page, "Measure");
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("144");
  await stage(page, "Build");
  const line = page.getByRole("note", { name: "Recipe" });
  await expect(line).toContainText(/Breakwater, version 1, as on board \d+/);
  await expect(line).toContainText("unchanged");
  await line.getByRole("button", { name: "what does not grow with it" }).click();
  await expect(dialog(page)).toContainText("in its pot");
});

test("two people on one board: the second to save is told what stands there, and neither is lost unasked", async ({
  page,
  context,
}) => {
  await signIn(page);
  await page.goto("/recipes");
  await page.getByRole("link", { name: /Harbour slate/ }).click();
  await page.waitForURL("**/recipes/*");
  const other = await context.newPage();
  await other.goto(page.url());
  for (const tab of [page, other]) await tab.getByRole("button", { name: /^Board \d+: change/ }).click();
  const result = (tab: Page) => tab.getByLabel("What came of it, and what to change");
  await result(other).fill("theirs: keep the veins");
  await other.getByRole("button", { name: "Save the board" }).click();
  await expect(dialog(other)).toHaveCount(0);
  await result(page).fill("mine: fewer veins");
  await page.getByRole("button", { name: "Save the board" }).click();
  await expect(dialog(page).getByRole("alert")).toContainText("was saved by somebody else meanwhile");
  await expect(dialog(page)).toContainText("theirs: keep the veins");
  await expect(result(page)).toHaveValue("mine: fewer veins");
  await page.getByRole("button", { name: "Save mine over it" }).click();
  await expect(page.getByRole("list", { name: "Sample boards" })).toContainText("mine: fewer veins");
});

test("another job takes a recipe: the approved version first; undo brings its own coats back", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Window sill");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "clear", exact: true }).click();
  await page.getByRole("button", { name: "this build" }).click();
  await page.getByRole("menuitem", { name: "Take a recipe" }).click();
  await dialog(page).getByLabel("Recipe").selectOption("Harbour slate");
  await expect(dialog(page).getByLabel("Version").locator("option:checked")).toHaveText(
    /^4, board \d+ approved/,
  );
  await page.getByRole("button", { name: "Take version 4" }).click();
  await expect(page.getByRole("note", { name: "Recipe" })).toContainText(
    /Harbour slate, version 4, as on board/,
  );
  await expect(page.getByRole("button", { name: /^Colour, palm blend/ }).first()).toBeVisible();
  await saved(page);
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("note", { name: "Recipe" })).toHaveCount(0);
});

test("a recipe as a file: written, read in another name; what is wrong in it is told by line", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/recipes");
  await page.getByRole("link", { name: /Copper drift/ }).click();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "this version as a file" }).click(),
  ]);
  expect(download.suggestedFilename()).toBe("Copper drift v2.json");
  const text = readFileSync(await download.path(), "utf8");
  const file = recipeFile.parse(JSON.parse(text));
  expect(file.recipe.coats.length).toBeGreaterThan(1);

  await page.goto("/recipes");
  await page.getByRole("button", { name: "Read a recipe file" }).click();
  const read = (content: string) =>
    upload(page, "Recipe file", "recipe.json", Buffer.from(content), "application/json");
  const wrong = text.replace(/"filmMm": [\d.]+/, '"filmMm": -3');
  await read(wrong);
  const lineNumber = wrong.slice(0, wrong.indexOf('"filmMm": -3')).split("\n").length;
  const problems = page.getByRole("alert", { name: "What is wrong in the file" });
  await expect(problems).toContainText(`line ${lineNumber}`);
  await expect(problems).toContainText("filmMm: is too small; the least is 0.01.");
  await expect(page.getByRole("button", { name: "Take it in" })).toHaveCount(0);

  const strange = structuredClone(file);
  strange.name = "Copper drift, from next door";
  for (const colour of Object.values(strange.colourants)) colour.name = `${colour.name}, theirs`;
  await read(JSON.stringify(strange, null, 2));
  await page.getByRole("button", { name: "Take it in" }).click();
  await page.waitForURL("**/recipes/*");
  await expect(page.getByRole("heading", { name: "Copper drift, from next door" })).toBeVisible();
  const schema = await (await page.request.get("/recipes/recipe.schema.json")).json();
  expect(schema.properties.file.const).toBe("gaugebeam recipe");
});

test("colours from a file: new ones are added, wrong lines are told, the rest is read", async ({ page }) => {
  await signIn(page);
  await page.goto("/colours");
  await page.getByRole("button", { name: "read a file" }).click();
  const csv = "name,kind,hex\nMussel shell,,#3E4350\nWhite paste,,#FFFFFF\nChalk,crayon,#FFFFFF\n";
  await upload(page, "File of colours", "shelf.csv", Buffer.from(csv), "text/csv");
  await expect(dialog(page).getByText("1 new, 1 on the shelf already")).toBeVisible();
  await expect(page.getByRole("alert", { name: "What is wrong in the file" })).toContainText(
    /line 4: “crayon” is no kind of colour/,
  );
  await page.getByRole("button", { name: "Add 1 colour" }).click();
  await page.getByRole("link", { name: "Mussel shell" }).click();
  await expect(page.getByText(/^Rough: one swatch/)).toBeVisible();
  await page.getByRole("button", { name: "remove it" }).click();
  await page.waitForURL("**/colours");
});

test("advice is set aside with its reason, stays so over a reload, and comes back; the torch after alcohol does not go away", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Serving counter" }).click();
  await page.waitForURL("**/measure");
  await stage(page, "Colour");
  const note = page.getByRole("note").filter({ hasText: "Bone white is laid first" });
  await note.getByText("why").click();
  await expect(note.getByText(/white first gives grey, white last stays white/)).toBeVisible();
  await note.getByRole("button", { name: "set aside" }).click();
  await field(page, "Why it does not matter here").fill("soft greys are wanted");
  await page.keyboard.press("Enter");
  await expect(note).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(page.getByText("Set aside: soft greys are wanted")).toBeVisible();
  await page.getByRole("button", { name: "bring it back" }).click();
  await expect(note).toBeVisible();
  await saved(page);

  await stage(page, "Build");
  await page
    .getByRole("button", { name: /^Colour, palm blend/ })
    .first()
    .click();
  const passes = page.getByRole("region", { name: "Coat" });
  const torch = passes.getByRole("listitem").filter({ hasText: "Torch" }).first();
  await torch.getByRole("button").first().click();
  const from = torch.getByLabel("When", { exact: true });
  await from.fill("16 min after mixing");
  await from.press("Enter");
  const danger = passes.getByRole("alert").first();
  await expect(danger).toBeVisible();
  await expect(danger.getByRole("button", { name: "set aside" })).toHaveCount(0);
  await from.fill("from 21 min");
  await from.press("Enter");
  await saved(page);
});

test("the client's tile from a photograph with a grey card", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Tile by photo");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await stage(page, "Colour");
  await upload(
    page,
    /^take it from a photo with a grey card/,
    "tile.jpg",
    await photograph("#6E8C84"),
    "image/jpeg",
  );
  const canvas = page.getByRole("application");
  await click(canvas, 0.75, 0.5);
  await click(canvas, 0.25, 0.5);
  await page.getByRole("button", { name: "take it as the target" }).click();
  const hex = field(page, "Its colour: hex, or L a b");
  await expect
    .poll(async () => ciede2000(labOfHex(await hex.inputValue()), labOfHex("#6E8C84")))
    .toBeLessThan(1.5);
  await saved(page);
});
