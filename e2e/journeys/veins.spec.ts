import { readFile } from "node:fs/promises";
import DxfParser from "dxf-parser";
import { expect, test, type Page } from "@playwright/test";
import { pageWith, pathsOnPage } from "../fixtures/pdf-paths";
import { openCopy, pdfText, saved, signIn, stage } from "../fixtures/shop";

async function openMap(page: Page): Promise<void> {
  await signIn(page);
  await openCopy(page, "Serving counter");
  await stage(page, "Rehearse");
  await page.getByRole("link", { name: "Vein map" }).click();
  await page.waitForURL("**/rehearse/veins");
  await page.getByRole("button", { name: "Lay out the pieces and draw veins" }).click();
}

const download = async (page: Page, item: string): Promise<Buffer> => {
  const coming = page.waitForEvent("download");
  await page.getByRole("button", { name: /^template of/ }).click();
  await page.getByRole("menuitem", { name: item }).click();
  return readFile((await (await coming).path())!);
};

test("veins as one stone: a point is moved by keys and by hand, what was touched is locked, the tape list follows", async ({
  page,
}) => {
  await openMap(page);
  const map = page.getByRole("group", { name: "Pieces and veins as they will stand" });
  await expect(map.getByRole("button", { name: /^(Left run|Till run|Pass shelf): / })).toHaveCount(3);
  const graphite = page.getByRole("region", { name: "Veins: Graphite" });
  await expect(graphite).toContainText(/\d+ ft of line/);
  await expect(graphite).toContainText(/Laid .* at minute \d+, it ends .* wide/);
  const list = page.getByRole("region", { name: /^Tape list of/ });
  await expect(list.getByRole("row").nth(1)).toContainText(/\d+/);

  await map.getByRole("button", { name: "Graphite vein 1", exact: true }).focus();
  await page.keyboard.press("Enter");
  const points = map.getByRole("button", { name: /^Point \d+ of/ });
  const first = points.first();
  await first.focus();
  const before = Number(await first.getAttribute("cy"));
  await page.keyboard.press("Shift+ArrowDown");
  expect(Number(await points.first().getAttribute("cy"))).toBe(before + 50);
  await expect(map.getByRole("button", { name: "Graphite vein 1, locked" })).toBeVisible();

  const box = (await points.nth(1).boundingBox())!;
  const at = Number(await points.nth(1).getAttribute("cx"));
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 30, box.y + box.height / 2, { steps: 5 });
  await page.mouse.up();
  expect(Number(await points.nth(1).getAttribute("cx"))).toBeGreaterThan(at + 20);

  // Drawn anew, the locked one stays where it is.
  const kept = await points.first().getAttribute("cy");
  await graphite.getByRole("button", { name: "draw anew" }).click();
  await map.getByRole("button", { name: "Graphite vein 1, locked" }).focus();
  await page.keyboard.press("Enter");
  expect(await points.first().getAttribute("cy")).toBe(kept);
  const many = await points.count();
  await page.getByRole("button", { name: "add a point" }).click();
  await expect(points).toHaveCount(many + 1);
  await saved(page);
  await page.reload();
  await expect(map.getByRole("button", { name: "Graphite vein 1, locked" })).toBeVisible();
});

test("pieces are moved and turned; the volume goes into Cups", async ({ page }) => {
  await openMap(page);
  const map = page.getByRole("group", { name: "Pieces and veins as they will stand" });
  const shelf = map.getByRole("button", { name: /^Pass shelf: / });
  const left = async () => (await shelf.boundingBox())!.x;
  const before = await left();
  await shelf.focus();
  for (let n = 0; n < 4; n += 1) await page.keyboard.press("Shift+ArrowLeft");
  expect(await left()).toBeLessThan(before + 1);
  await expect(page.getByRole("region", { name: "Tape list of Pass shelf" })).toBeVisible();
  await page.getByRole("button", { name: "turn it 90°" }).click();
  const turned = (await shelf.boundingBox())!;
  expect(turned.height).toBeGreaterThan(turned.width);
  // Any angle, as at a corner joint that is not square; the tape list follows.
  const list = page.getByRole("region", { name: "Tape list of Pass shelf" });
  const square = await list.innerText();
  await page.getByLabel("Pass shelf turned by, degrees").fill("37");
  await expect.poll(async () => (await shelf.boundingBox())!.height).toBeLessThan(turned.height);
  await expect.poll(() => list.innerText()).not.toBe(square);
  await page.getByLabel("Pass shelf turned by, degrees").fill("400");
  await expect(page.getByRole("alert").first()).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Into Cups" }).click();
  await saved(page);
  await stage(page, "Build");
  await page.getByRole("button", { name: /^Vein/ }).first().click();
  await expect(page.getByLabel(/Share of Graphite/)).toBeVisible();
});

test("a vein is drawn by hand or added by keys; sets are laid in another order and colour", async ({
  page,
}) => {
  await openMap(page);
  const map = page.getByRole("group", { name: "Pieces and veins as they will stand" });
  const graphite = page.getByRole("region", { name: "Veins: Graphite" });
  const many = await map.getByRole("button", { name: /^Graphite vein \d+/ }).count();
  // Left by Escape, nothing is drawn and pieces can be pulled again.
  await graphite.getByRole("button", { name: "draw a vein" }).click();
  await expect(graphite.getByRole("button", { name: /^drawing/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(graphite.getByRole("button", { name: "draw a vein" })).toBeVisible();

  await graphite.getByRole("button", { name: "draw a vein" }).click();
  const box = (await map.boundingBox())!;
  await page.mouse.move(box.x + 60, box.y + 160);
  await page.mouse.down();
  for (let n = 1; n <= 30; n += 1)
    await page.mouse.move(box.x + 60 + 14 * n, box.y + 160 - n + 12 * Math.sin(n / 4));
  await page.mouse.up();
  const drawn = map.getByRole("button", { name: `Graphite vein ${many + 1}, locked` });
  await expect(drawn).toBeVisible();
  // Its points lie where the hand went, the first one where it was set down.
  const first = (await map.getByRole("button", { name: /^Point 1 of/ }).boundingBox())!;
  expect(Math.abs(first.x + first.width / 2 - box.x - 60)).toBeLessThan(3);
  expect(Math.abs(first.y + first.height / 2 - box.y - 160)).toBeLessThan(3);

  await graphite.getByRole("button", { name: "add one across" }).focus();
  await page.keyboard.press("Enter");
  await expect(map.getByRole("button", { name: `Graphite vein ${many + 2}, locked` })).toBeVisible();

  const sets = page.getByRole("region", { name: /^Veins: / });
  const names = async () =>
    Promise.all((await sets.all()).map((set) => set.getByRole("heading").first().innerText()));
  const before = await names();
  expect(before.length).toBeGreaterThan(1);
  await page.getByRole("button", { name: /^Lay .* earlier$/ }).click();
  await expect.poll(names).toEqual([before[1], before[0], ...before.slice(2)]);
  await sets.first().getByRole("button", { name: "another colour" }).click();
  await page.getByRole("menuitem").first().click();
  await expect.poll(async () => (await names())[0]).not.toBe(before[1]);
  await saved(page);
  await page.reload();
  await expect(map.getByRole("button", { name: `Graphite vein ${many + 2}, locked` })).toBeVisible();
});

test("the template: DXF and PDF measured back to 0.5 mm, the list in both unit systems", async ({ page }) => {
  await openMap(page);
  await saved(page);
  const dxf = await download(page, "DXF");
  const drawing = new DxfParser().parseSync(dxf.toString("utf8"))!;
  const lines = drawing.entities as unknown as { layer: string; vertices: { x: number; y: number }[] }[];
  const outline = lines.find(({ layer }) => layer === "OUTLINE")!.vertices;
  const high = Math.max(...outline.map(({ y }) => y));
  const veins = lines.filter(({ layer }) => /^VEIN-\d+$/.test(layer));
  expect(veins.length).toBeGreaterThan(3);

  const svg = (await download(page, "SVG")).toString("utf8");
  expect(svg).toMatch(/width="[\d.]+mm"/);
  const pdf = await download(page, "PDF, full scale, A4");
  const { text, pages } = await pdfText(pdf);
  expect(pages).toBeGreaterThan(6);
  expect(text).toMatch(/enters|leaves|begins on the piece/);
  expect(text).toMatch(/\d in \([\d\s]+ mm\)/);
  // The sheet of column 1 and row 1 shows the piece from its upper left, faces folded out, within its margins.
  const first = await pageWith(pdf, "· column 1 of");
  expect(first).toBeGreaterThan(1);
  const drawn = await pathsOnPage(pdf, first);
  const check = drawn.find(
    ([a, b, ...more]) => a && b && more.length === 0 && Math.abs(a.y - 10) < 0.5 && Math.abs(b.y - 10) < 0.5,
  )!;
  expect(Math.abs(Math.abs(check[1]!.x - check[0]!.x) - 100)).toBeLessThan(0.5);
  // The first sheet begins at the upper left of what is folded out, 10 mm in and 16 mm down.
  const seen = lines
    .filter(({ layer }) => layer === "OUTLINE" || layer === "FACES")
    .flatMap(({ vertices }) => vertices);
  const [minX, maxY] = [Math.min(...seen.map(({ x }) => x)), Math.max(...seen.map(({ y }) => y))];
  const square = (x: number, y: number) => `${Math.floor(x)} ${Math.floor(y)}`;
  const there = new Map<string, { x: number; y: number }[]>();
  for (const point of drawn.flat()) {
    const key = square(point.x, point.y);
    there.set(key, [...(there.get(key) ?? []), point]);
  }
  const near = (x: number, y: number) =>
    [-1, 0, 1].some((i) =>
      [-1, 0, 1].some((j) =>
        (there.get(square(x + i, y + j)) ?? []).some((point) => Math.hypot(point.x - x, point.y - y) < 0.5),
      ),
    );
  const vertices = veins.flatMap(({ vertices: own }) => own);
  expect(vertices.length).toBeGreaterThan(100);
  expect(high).toBeLessThanOrEqual(maxY);
  expect(vertices.filter(({ x, y }) => !near(10 + x - minX, 16 + maxY - y))).toEqual([]);
});

/** A copy of a job with a look that has veins, its pieces laid out on the vein map. */
async function layOut(page: Page, job: string): Promise<void> {
  await signIn(page);
  await openCopy(page, job);
  await stage(page, "Rehearse");
  await page.getByRole("button", { name: "Looks" }).click();
  await page
    .getByRole("dialog", { name: /^Looks/ })
    .getByRole("button", { name: /^Pale ground/ })
    .click();
  await saved(page);
  await page.goto(`${page.url().replace(/\/$/, "")}/veins`);
  await page.getByRole("button", { name: "Lay out the pieces and draw veins" }).click();
}

test("each of a dozen coasters stands by itself: pulled by itself, with its own list and template", async ({
  page,
}) => {
  await layOut(page, "Club coasters, a dozen");
  const map = page.getByRole("group", { name: "Pieces and veins as they will stand" });
  await expect(map.getByRole("button", { name: /^Coaster \d+: / })).toHaveCount(12);
  await page.getByLabel("Piece", { exact: true }).selectOption("Coaster 3");
  const list = page.getByRole("region", { name: "Tape list of Coaster 3" });
  await expect(list).toContainText(/rim, from its start/);
  const first = map.getByRole("button", { name: /^Coaster 1: / });
  const third = map.getByRole("button", { name: /^Coaster 3: / });
  const stays = (await first.boundingBox())!.x;
  const before = await list.innerText();
  await third.focus();
  // 50 mm are half a coaster: another part of the stone lies on it.
  await page.keyboard.press("Shift+ArrowDown");
  await expect.poll(() => list.innerText()).not.toBe(before);
  expect(Math.abs((await first.boundingBox())!.x - stays)).toBeLessThan(2);
  await saved(page);
  await page.reload();
  await third.focus();
  const { text } = await pdfText(await download(page, "PDF, full scale, A4"));
  expect(text).toContain("Coaster 3");
  expect(text).toMatch(/rim at/);
  // Its pour is rehearsed with its own part of the stone.
  await page.getByRole("link", { name: "The pour" }).click();
  await page.waitForURL(/rehearse$/);
  await page.getByLabel("Piece", { exact: true }).selectOption("Coaster 3");
  await expect(page.getByRole("img", { name: /^Coaster 3 after \d+ of \d+ passes$/ })).toBeVisible();
});

test("tumblers: veins go around the wall, told from its seam and rim; the template is the wall unrolled", async ({
  page,
}) => {
  await layOut(page, "Market tumblers");
  const map = page.getByRole("group", { name: "Pieces and veins as they will stand" });
  await expect(map.getByRole("button", { name: /^Tumbler \d+: / })).toHaveCount(24);
  // One of the first that a vein goes around.
  const list = page.getByRole("region", { name: /^Tape list of/ });
  let seam = "";
  for (let n = 1; n <= 24 && !seam.includes("the seam, from the rim"); n += 1) {
    await page.getByLabel("Piece", { exact: true }).selectOption(`Tumbler ${n}`);
    await expect(list).toHaveAccessibleName(`Tape list of Tumbler ${n}`);
    seam = await list.innerText();
  }
  expect(seam).toContain("the seam, from the rim");
  const drawing = new DxfParser().parseSync((await download(page, "DXF")).toString("utf8"))!;
  const lines = drawing.entities as unknown as { layer: string; vertices: { x: number; y: number }[] }[];
  const outline = lines.find(({ layer }) => layer === "OUTLINE")!.vertices;
  // 88 mm at the rim, 70 at the base, 172 high: the apex is s·D/(D − d) = 172.235 · 88/18 from the rim.
  const chord = 2 * ((172.235 * 88) / 18) * Math.sin((Math.PI * 88) / 2 / ((172.235 * 88) / 18));
  const xs = outline.map(({ x }) => x);
  expect(Math.abs(Math.max(...xs) - Math.min(...xs) - chord)).toBeLessThan(0.5);
  // The band left bare at the rim, and the patch for the decal.
  expect(lines.filter(({ layer }) => layer === "CUTOUTS").length).toBe(2);
  await stage(page, "Rehearse");
  await expect(page.getByRole("img", { name: /^Tumbler 1 after \d+ of \d+ passes$/ })).toBeVisible();
});
