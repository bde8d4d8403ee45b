import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import DxfParser from "dxf-parser";
import { field, makeJob, openCopy, pdfText, saved, signIn } from "../fixtures/shop";
import { tabTo } from "../fixtures/keys";

const zones = (page: Page) => page.getByRole("region", { name: "Zones" });
const divide = async (page: Page, item: string) => {
  await page.getByRole("button", { name: "divide it", exact: true }).click();
  await page.getByRole("menuitem", { name: item, exact: true }).click();
};
const metric = async (page: Page) => {
  await page.getByRole("radio", { name: "mm · ml" }).click();
};
const rectangle = async (page: Page) => {
  await page.getByRole("button", { name: "Rectangle", exact: true }).first().click();
  await field(page, "Length").fill("1000 mm");
  await field(page, "Depth").fill("600 mm");
  await metric(page);
  await expect(field(page, "Length")).toHaveValue("1000");
};
const saveAs = async (page: Page, item: string, nth = 0) => {
  await page.getByRole("button", { name: "save the drawing" }).click();
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("menuitem", { name: item, exact: true }).nth(nth).click(),
  ]);
  return (await file.path())!;
};

test("a zone map goes out in true scale and comes back as the zones of another piece", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Zone map out and in");
  await rectangle(page);
  await divide(page, "A round or square shape");
  await field(page, "Diameter of the zone").fill("400 mm");
  await zones(page).getByLabel("Zone", { exact: true }).fill("Leaf");
  await expect(zones(page)).toContainText("21 % of it");
  await saved(page);

  // A plotter reads it to 0.5 mm: a circle of 200 around the middle.
  const dxf = await saveAs(page, "DXF", 1);
  const drawing = new DxfParser().parseSync(readFileSync(dxf, "utf8"))!;
  const lines = drawing.entities as unknown as { layer: string; vertices: { x: number; y: number }[] }[];
  const leaf = lines.find(({ layer }) => layer === "ZONE-2-Leaf")!;
  for (const { x, y } of leaf.vertices)
    expect(Math.abs(Math.hypot(x - 500, y - 300) - 200)).toBeLessThan(0.5);
  const pdf = await saveAs(page, "PDF, A4 sheets");
  const bytes = readFileSync(pdf);
  // The table, and a metre by 60 cm on A4 lying with 10 mm laid over: four columns of four rows at the most.
  const { text, pages } = await pdfText(bytes);
  expect(pages).toBeGreaterThan(8);
  expect(pages).toBeLessThanOrEqual(17);
  expect(text).toContain("Leaf, Rectangle");
  expect(text).toContain("21 %");

  const svg = await saveAs(page, "SVG, for a cutting plotter");
  await divideAnother(page, svg);
  await expect(zones(page).getByLabel("Zone", { exact: true })).toHaveValue("Leaf");
  await expect(zones(page)).toContainText("21 % of it");
});

async function divideAnother(page: Page, svg: string): Promise<void> {
  await page.getByRole("button", { name: "add a piece" }).click();
  await page.getByRole("menuitem", { name: "Rectangle", exact: true }).click();
  await field(page, "Length").fill("1000");
  await field(page, "Depth").fill("600");
  await page.getByRole("button", { name: "read a file" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("SVG or DXF file").setInputFiles({
    name: "zones.svg",
    mimeType: "image/svg+xml",
    buffer: readFileSync(svg),
  });
  await expect(dialog.getByText("One line is as large as the piece: zones are laid by it.")).toBeVisible();
  await dialog.getByRole("button", { name: /^As a zone of/ }).click();
}

test("where a colour goes: put by mouse, moved by keys, kept, told on the run sheet, undone", async ({
  page,
}) => {
  await signIn(page);
  await openCopy(page, "Island with a leaf");
  await metric(page);
  await page.getByRole("link", { name: "Rehearse" }).first().click();
  await page.getByRole("button", { name: "Where colours go" }).click();
  await page.getByRole("button", { name: /^Graphite/ }).click();
  await page.getByRole("button", { name: "more here" }).click();
  const place = page.getByRole("button", { name: "1: more here, pull it" });
  await expect(place).toBeVisible();
  const before = (await place.boundingBox())!;
  await page.mouse.move(before.x + 12, before.y + 12);
  await page.mouse.down();
  await page.mouse.move(before.x + 250, before.y + 20, { steps: 8 });
  await page.mouse.up();
  await expect.poll(async () => (await place.boundingBox())!.x).toBeGreaterThan(before.x + 200);

  await tabTo(page, /^1: more here, pull it/);
  const pulled = (await place.boundingBox())!;
  await page.keyboard.press("Shift+ArrowLeft");
  await expect.poll(async () => (await place.boundingBox())!.x).toBeLessThan(pulled.x - 10);
  const reach = field(page, "Reaches");
  await reach.fill("300");
  await reach.blur();
  await saved(page);
  await page.reload();
  await page.getByRole("button", { name: "Where colours go" }).click();
  await page.getByRole("button", { name: /^Graphite/ }).click();
  await expect(field(page, "Reaches")).toHaveValue("300");

  await page.getByRole("link", { name: "Cups" }).first().click();
  await page.getByRole("link", { name: "Run sheet" }).click();
  await expect(page.getByText(/Graphite more in the middle/).first()).toBeVisible();
  await page.goBack();
  await page.getByRole("link", { name: "Rehearse" }).first().click();
  await page.getByRole("button", { name: "Where colours go" }).click();
  await page.getByRole("button", { name: /^Graphite/ }).click();
  await page.getByRole("button", { name: "Take away 1" }).click();
  await expect(place).toBeHidden();
  await page.keyboard.press("Control+z");
  await expect(place).toBeVisible();
});

test("a divided piece is cut along a line; how zones meet, steps and masks are told", async ({ page }) => {
  await signIn(page);
  await openCopy(page, "Island with a leaf");
  await metric(page);
  await page.getByRole("link", { name: "Build" }).first().click();
  const start = page.getByRole("button", { name: "Start of the section" });
  await expect(start).toBeVisible();
  await expect(page.getByText(/1.?900.mm across/)).toBeVisible();
  await start.focus();
  await page.keyboard.press("Shift+ArrowRight");
  await expect(page.getByText(/1.?800.mm across/)).toBeVisible();
  await page.getByRole("button", { name: "Island, slate" }).first().click();
  await expect(
    page.getByText("Leaf is finished before this coat runs up to it", { exact: false }),
  ).toBeVisible();
  await page.getByRole("button", { name: /start, mixing/ }).click();
  await expect(page.getByRole("list", { name: "How zones meet" })).toContainText(
    "Island runs up to Leaf, which Leaf, copper has coated before.",
  );
  await page.getByRole("radio", { name: "at an edge" }).click();
  await expect(start).toBeHidden();
});

test("a look of two fields divides the piece; the next look takes its zones back", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Two fields as zones");
  await rectangle(page);
  await page.getByRole("link", { name: "Build" }).first().click();
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await page.getByRole("button", { name: "fill by a look" }).click();
  await page.getByRole("menuitem", { name: /Inlay of two fields/ }).click();
  await expect(page.getByRole("group", { name: "Where the section lies" })).toContainText("Dark");
  await page.getByRole("link", { name: "Measure" }).first().click();
  await expect(zones(page).getByLabel("What is left", { exact: true })).toHaveValue("Light");
  await expect(page.getByRole("textbox", { name: "Zone", exact: true })).toHaveCount(2);
  await page.getByRole("link", { name: "Build" }).first().click();
  await page.getByRole("button", { name: "fill by a look" }).click();
  await page.getByRole("menuitem", { name: /Palm blend/ }).click();
  await expect(page.getByRole("group", { name: "Where the section lies" })).toBeHidden();
});

test("a tumbler's zone is pulled on its wall as it is drawn", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Tumbler by zone");
  await page.getByRole("button", { name: "Tumbler", exact: true }).click();
  await metric(page);
  await divide(page, "A round or square shape");
  const shape = page.getByRole("button", { name: "Zone 1: pull it" });
  await expect(shape).toBeVisible();
  const down = field(page, "Middle from the base");
  const left = field(page, "Middle from the seam");
  await expect(left).toHaveValue(/^\d+(\.\d)?$/);
  const [x, y] = [Number(await left.inputValue()), Number(await down.inputValue())];
  const box = (await shape.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  // Around the wall to the right; on the fan that is along an arc.
  await expect.poll(async () => Number(await left.inputValue())).toBeGreaterThan(x + 10);
  expect(Math.abs(Number(await down.inputValue()) - y)).toBeLessThan(60);
});
