import { expect, test, type Locator, type Page } from "@playwright/test";
import jsQR from "jsqr";
import { withCameraOn } from "../fixtures/camera";
import { pixelsOfPage } from "../fixtures/pdf-pixels";
import { start } from "../fixtures/pour-acts";
import { field, openCopy, OWNER, pdfText, signIn, signInByForm, stage } from "../fixtures/shop";

/** Its own in each run: what was put on the shelf stays there. */
const mark = () => crypto.randomUUID().slice(0, 8);
/** Numbers are grouped by thin spaces. */
const plain = (text: string | null) => (text ?? "").replaceAll(/\s/g, "");
const dialog = (page: Page) => page.getByRole("dialog");
/** Types into a field of a dialog and waits until it counts. */
const type = async (page: Page, label: string | RegExp, text: string) => {
  await dialog(page).getByLabel(label).fill(text);
  await dialog(page).getByLabel(label).press("Tab");
};
const shows = (where: Locator, text: string) =>
  expect.poll(async () => plain(await where.textContent())).toContain(plain(text));

async function openItem(page: Page, name: string): Promise<Locator> {
  await page.goto("/shelf");
  await page.getByRole("link", { name }).first().click();
  const item = page.getByRole("region", { name, exact: true });
  await expect(item).toBeVisible();
  return item;
}

test("something comes, is weighed, taken and corrected; its book tells all of it; its label is read back", async ({
  page,
}) => {
  const name = `Sea glass ${mark()}`;
  await signIn(page);
  await page.goto("/shelf");
  await page.getByRole("button", { name: "Put something on the shelf" }).click();
  await dialog(page).getByLabel("What kind").selectOption("Stones, glass, glitter");
  await dialog(page).getByRole("button", { name: "Put it on the shelf" }).click();
  await expect(dialog(page).getByText("Type what it is called.")).toBeVisible();
  await type(page, "Name", name);
  await type(page, /^Hazards/, "Sharp edges: wear gloves.");
  await dialog(page).getByRole("button", { name: "Put it on the shelf" }).click();
  const item = page.getByRole("region", { name, exact: true });
  await expect(item).toContainText("None yet.");

  await item.getByRole("button", { name: "Something came" }).click();
  await type(page, "Bottles, bags", "2");
  await type(page, "One holds", "1000");
  await type(page, "An empty one weighs", "50");
  await type(page, "Best before", "2031-05-04");
  await type(page, "Lot number", "SG 1");
  await dialog(page).getByRole("button", { name: "Put it on the shelf" }).click();
  const lot = item.getByRole("article");
  await shows(lot, "2 000 g");
  const code = (await lot.getAttribute("aria-label"))!;
  expect(code).toMatch(/^L\d+$/);

  // The open one on the scale, a full one beside it: 640 − 50 + 1000.
  await lot.getByRole("button", { name: "weigh it" }).click();
  await type(page, /^The scale says/, "40");
  await dialog(page).getByRole("button", { name: "Keep" }).click();
  await expect(dialog(page).getByText("less than the empty bottle")).toBeVisible();
  await type(page, /^The scale says/, "640");
  await shows(dialog(page).getByRole("status"), "1 590 g 410 g less than the book says");
  await dialog(page).getByRole("button", { name: "Keep" }).click();
  await shows(lot, "1 590 g");

  await lot.getByRole("button", { name: "take or put back" }).click();
  await type(page, /^How much/, "90");
  // A reload loses nothing that was typed.
  await page.reload();
  await page.getByRole("article").getByRole("button", { name: "take or put back" }).click();
  await expect(dialog(page).getByLabel(/^How much/)).toHaveValue("90");
  await dialog(page).getByLabel("What for").selectOption("spilt or lost");
  await dialog(page).getByRole("button", { name: "Take it" }).press("Enter");
  await shows(lot, "1 500 g");

  await lot.getByRole("button", { name: "its book" }).click();
  const book = page.getByRole("table", { name: `Book of ${code}` });
  await book
    .getByRole("row", { name: /spilt or lost/ })
    .getByRole("button", { name: "correct" })
    .click();
  await type(page, /it is to be$/, "40");
  await dialog(page).getByRole("button", { name: "Correct it" }).click();
  await expect(dialog(page).getByText("Say why: it stays in the book.")).toBeVisible();
  await type(page, "Why", "half of it was swept up");
  await dialog(page).getByRole("button", { name: "Correct it" }).click();
  await shows(lot, "1 550 g");
  await shows(book, "it was 90 g; corrected by Ines Calder");
  await expect(book).toContainText("half of it was swept up");

  for (const [paper, width] of [
    ["a4", 595],
    ["letter", 612],
  ] as const) {
    const file = await (
      await page.request.get(`/shelf/labels.pdf?lot=${code.slice(1)}&paper=${paper}`)
    ).body();
    const read = await pdfText(file);
    expect(Math.round(read.width)).toBe(width);
    for (const words of [code, name, "SG 1", "2031-05-04", "Sharp edges"]) expect(read.text).toContain(words);
    const { data, width: wide, height } = await pixelsOfPage(page, file, 1, 3);
    expect(jsQR(data, wide, height)?.data).toBe(code);
  }
  expect((await page.request.get("/shelf/labels.pdf?lot=999999")).status()).toBe(404);

  await item.getByRole("button", { name: "change" }).first().click();
  await dialog(page).getByRole("button", { name: "Take it off the shelf" }).click();
  await expect(page.getByRole("link", { name })).toHaveCount(0);
  const gone = page
    .getByRole("region", { name: "Deleted lately" })
    .getByRole("listitem")
    .filter({ hasText: name });
  await gone.getByRole("button", { name: "bring it back" }).click();
  await expect(page.getByRole("link", { name })).toBeVisible();
});

test("what a pour weighs is taken off the shelf, from the lot that was said; a strange lot is asked about, and which piece it is in stays known", async ({
  page,
}) => {
  await signIn(page);
  const before = await openItem(page, "Slow coating 1:1");
  const left = async (item: Locator, part: number) =>
    Number(
      plain(
        await item.getByRole("article", { name: "L2" }).locator(".figure").nth(part).textContent(),
      ).replace("g", ""),
    );
  const [a, b] = [await left(before, 1), await left(before, 2)];
  await openCopy(page, "Bistro table");
  const job = `Trial ${new URL(page.url()).pathname.split("/")[2]!.slice(0, 8)}`;
  await start(page);
  const pour = page.url();
  const say = async (part: string, text: string) => {
    await page.getByRole("button", { name: `Lot of ${part}` }).click();
    await field(page, "As it stands on the bottle").fill(text);
  };
  await say("A", "L2-B");
  await expect(dialog(page).getByText("This label is of a bottle of B.")).toBeVisible();
  await field(page, "As it stands on the bottle").fill("l2-a");
  await page.getByRole("button", { name: "Keep the lot" }).click();
  await page.getByLabel("A, resin").fill("220");
  await page.getByLabel("A, resin").press("Enter");
  await say("B", "X 9999");
  await page.getByRole("button", { name: "Keep the lot" }).click();
  await page.getByLabel("B, hardener").fill("188");
  await page.getByLabel("B, hardener").press("Enter");
  await expect(page.getByRole("button", { name: "Lot of B" })).toHaveText("lot X 9999");
  await expect(page.getByLabel("B, hardener")).toHaveValue("188");
  await page.waitForLoadState("networkidle");

  const item = await openItem(page, "Slow coating 1:1");
  const asked = page
    .getByRole("region", { name: "From which lot?" })
    .getByRole("listitem")
    .filter({ hasText: job });
  await shows(asked, `188 g of Slow coating 1:1, B, at ${job}; lot X 9999 is not on the shelf`);
  expect(await left(item, 1)).toBeCloseTo(a - 220, 6);
  expect(await left(item, 2)).toBeCloseTo(b, 6);
  await asked.getByLabel("Lot").selectOption("L2");
  await expect(asked).toHaveCount(0);
  await expect.poll(() => left(item, 2)).toBeCloseTo(b - 188, 6);
  await item.getByRole("article", { name: "L2" }).getByRole("button", { name: "in which pieces" }).click();
  const piece = item
    .getByRole("list", { name: "Pieces with L2" })
    .getByRole("listitem")
    .filter({ hasText: job });
  await shows(piece, "220 g A, 188 g B");
  await expect(piece).toContainText("Bistro top");
  await piece.getByRole("link").click();
  await page.waitForURL("**/log");
  // What lies on the bench is in the way of other jobs.
  await page.goto(pour);
  await page.getByRole("button", { name: "call it off" }).click();
  await dialog(page).getByRole("button", { name: "Call it off" }).click();
  await expect(page.getByRole("heading", { name: "Called off" })).toBeVisible();
});

test("what approved jobs will lack is told on Bench, in Windows and in what to buy, less what is there", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/bench");
  const short = page.getByRole("list", { name: "Short on the shelf" }).getByRole("listitem");
  await expect(short.filter({ hasText: "River table, elm" })).toContainText("Deep casting 3:1");
  await short.filter({ hasText: "River table, elm" }).getByRole("link").click();
  await page.waitForURL("**/buy");
  const bought = page.getByRole("region", { name: "What to buy", exact: true });
  await expect(bought).toContainText("on the shelf");
  await expect(bought).toContainText("all on the shelf");
  await stage(page, "Windows");
  const told = page.getByRole("region", { name: "Short on the shelf" });
  await expect(told).toContainText(/Deep casting 3:1: short by .* of A and .* of B\. It needs/);

  const item = await openItem(page, "Deep casting 3:1");
  await item.getByRole("button", { name: "Something came" }).click();
  await dialog(page).getByLabel("Size").selectOption({ index: 2 });
  await type(page, "Pairs", "1");
  await dialog(page).getByRole("button", { name: "Put it on the shelf" }).click();
  await expect(item.getByText("free", { exact: true })).toBeVisible();
  await page.goto("/bench");
  await expect(page.getByRole("heading", { name: "One clock" })).toBeVisible();
  await expect(short.filter({ hasText: "Deep casting" })).toHaveCount(0);
  // Taken off again, so that the shop is as it was.
  await openItem(page, "Deep casting 3:1");
  const lot = item.getByRole("article").last();
  for (const part of ["A", "B"]) {
    await lot.getByRole("button", { name: "weigh it" }).click();
    await dialog(page).getByRole("radio", { name: part, exact: true }).click();
    await dialog(page).getByRole("radio", { name: "by a look" }).click();
    await type(page, "There is", "0");
    await dialog(page).getByRole("button", { name: "Keep" }).click();
    await expect(dialog(page)).toHaveCount(0);
  }
  await expect(item.getByText("short by", { exact: true })).toBeVisible();
});

test("stocktaking on a phone: one line after the other, by keyboard; a reload goes on where it was; a bottle is found by its label", async ({
  baseURL,
}) => {
  await withCameraOn("L4-B", async (browser) => {
    const context = await browser.newContext({ baseURL: baseURL!, viewport: { width: 390, height: 844 } });
    const page = await context.newPage();
    await signInByForm(page, OWNER);
    await page.goto("/shelf");
    await page.getByRole("link", { name: "count all" }).click();
    await page.waitForURL("**/shelf/count");
    const line = () => page.locator("main section").getAttribute("aria-label");
    const first = await line();
    const counted = Number(
      /^(\d+) of/.exec((await page.getByText(/counted in the last/).textContent()) ?? "")?.[1],
    );
    // As it is by the book: nothing moves.
    const book = plain(await page.getByText(/^By the book/).textContent());
    const grams = Number(/([\d.]+)g/.exec(book)?.[1]);
    const fullOnes = Number(await page.getByLabel(/^Full ones beside it/).inputValue());
    const each = Number(
      /,([\d.]+)geach/.exec(plain(await page.locator("label", { hasText: "Full ones" }).textContent()))?.[1],
    );
    const tare = Number(await page.getByLabel("An empty one weighs").inputValue());
    await page.getByLabel(/^The scale says/).fill(String(grams - fullOnes * each + tare));
    await page.getByLabel(/^The scale says/).press("Enter");
    await expect(page.getByText("as the book says")).toBeVisible();
    await page.getByRole("button", { name: "Keep, next" }).click();
    await expect.poll(line).not.toBe(first);
    await expect(page.getByText(new RegExp(`^${counted + 1} of`))).toBeVisible();
    await page.reload();
    await expect.poll(line).not.toBe(first);
    const second = await line();
    await page.getByRole("button", { name: "pass it over" }).click();
    await expect.poll(line).not.toBe(second);

    await page.getByRole("link", { name: "Shelf" }).last().click();
    await page.waitForURL("**/shelf");
    await page.getByRole("button", { name: "find by label" }).click();
    await page.getByRole("button", { name: "Read it with the camera" }).click();
    await expect(page.getByLabel("The code on the label, such as L42-A")).toHaveValue("L4-B");
    await page.getByRole("button", { name: "Show it" }).click();
    await expect(page.getByRole("region", { name: "Deep casting 3:1", exact: true })).toBeVisible();
  });
});
