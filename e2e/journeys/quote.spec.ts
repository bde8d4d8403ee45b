import { readFile } from "node:fs/promises";
import { expect, test, type Page } from "@playwright/test";
import sharp from "sharp";
import { pixelsOfPage } from "../fixtures/pdf-pixels";
import { field, openCopy, pdfText, saved, signIn, stage } from "../fixtures/shop";

const look = (page: Page, name: string) => page.getByRole("region", { name, exact: true });
const type = async (page: Page, label: string, text: string) => {
  await field(page, label).fill(text);
  await field(page, label).press("Tab");
};
const download = async (page: Page, name: string): Promise<Buffer> => {
  const coming = page.waitForEvent("download");
  await page.getByRole("button", { name }).click();
  const file = await coming;
  expect(file.suggestedFilename()).toMatch(/^quote-\d{4}-\d{3}\.pdf$/);
  return readFile(await file.path());
};

test("a quote: two looks with their pictures, numbered, as a PDF, ordered; what the plan became that it does not cover", async ({
  page,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  const jobId = new URL(page.url()).pathname.split("/")[2]!;
  await stage(page, "Cups");
  await page.getByRole("link", { name: "Cost and price" }).click();
  await page.getByRole("link", { name: "quote", exact: true }).click();
  await page.waitForURL("**/quote");

  // Nothing asked, nothing quoted: said at its place.
  const planned = look(page, "As planned");
  await expect(page.getByRole("button", { name: "Give it a number" })).toBeEnabled();
  while ((await planned.getByRole("button", { name: /^Out, line/ }).count()) > 0)
    await planned
      .getByRole("button", { name: /^Out, line/ })
      .first()
      .click();
  await page.getByRole("button", { name: "Give it a number" }).click();
  await expect(planned.getByRole("alert")).toContainText("Nothing is asked for this look.");

  // By hand: 2 pieces at 120.00 and 35.50 flat are 275.50, rounded to 275.00; sales tax 7.25 % is 19.94.
  await planned.getByRole("button", { name: "from the list" }).click();
  await page.getByRole("menuitem", { name: "Inlay" }).click();
  await type(page, "How much, line 1 of As planned", "2");
  await planned.getByRole("button", { name: "add a line" }).click();
  await type(page, "What for, line 2 of As planned", "Delivery");
  await type(page, "Each, line 2 of As planned", "35.50");
  await expect(planned.getByText("$294.94")).toBeVisible();

  // Another look beside it, by the keyboard, at a price of its own; a reload loses nothing.
  await page.getByRole("button", { name: "another look beside it" }).press("Enter");
  await page.keyboard.type("Straight");
  await page.keyboard.press("Enter");
  const second = look(page, "Straight grain, combed");
  await expect(second).toBeVisible();
  await type(page, "Each, line 1 of Straight grain, combed", "200");
  await field(page, "Terms").fill("Half on order. Ålesund & 30 days.");
  await second.getByLabel("Its name").fill("Grain");
  await page.reload();
  await expect(look(page, "Grain").getByText("$466.54")).toBeVisible();
  await expect(field(page, "Terms")).toHaveValue("Half on order. Ålesund & 30 days.");
  const give = page.getByRole("button", { name: "Give it a number" });
  await expect(give).toBeEnabled();
  await expect(page.getByText(/^No picture/)).toHaveCount(0);
  await give.press("Enter");
  await page.waitForURL(/quote=/);
  const quote = page.getByRole("article");
  const number = (await page.getByRole("heading", { level: 1 }).textContent())!;
  expect(number).toMatch(/^20\d\d-\d{3}$/);
  await expect(quote.getByRole("status")).toHaveText("not sent yet");
  await expect(quote.getByRole("img", { name: "As planned" })).toBeVisible();

  // The file, read back on both papers: text, sums, and pictures that are no blank.
  for (const [button, width, height] of [
    ["PDF, Letter", 612, 792],
    ["PDF, A4", 595, 842],
  ] as const) {
    const pdf = await download(page, button);
    const read = await pdfText(pdf);
    expect([Math.round(read.width), Math.round(read.height), read.pages]).toEqual([width, height, 1]);
    for (const words of [
      number,
      "Lantern Yard Coatings",
      "A As planned",
      "B Grain",
      "Inlay",
      "2 at $120.00",
      "$19.94",
      "$294.94",
      "$466.54",
      "Half on order. Ålesund & 30 days.",
      "no two pours are the same",
    ])
      expect(read.text).toContain(words);
    if (width > 600) continue;
    const { data, width: w, height: h } = await pixelsOfPage(page, pdf, 1, 1);
    const { channels } = await sharp(Buffer.from(data), { raw: { width: w, height: h, channels: 4 } })
      .extract({ left: 60, top: 150, width: 200, height: 130 })
      .stats();
    expect(Math.max(...channels.slice(0, 3).map(({ stdev }) => stdev))).toBeGreaterThan(5);
  }

  await quote.getByRole("button", { name: "sent", exact: true }).click();
  await page.getByLabel("A word on it, if there is one").fill("by e-mail");
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(quote.getByRole("status")).toHaveText("sent");
  await expect(quote.getByText("by e-mail")).toBeVisible();

  // Ordered, by the keyboard: the job's plan is that look, and one undo leads back.
  await look(page, "Grain").getByRole("button", { name: "This one was ordered" }).press("Enter");
  await expect(page.getByRole("dialog")).toContainText("stays one undo away");
  await page.getByLabel("A word on it, if there is one").press("Tab");
  await page.getByRole("button", { name: "Keep it" }).press("Enter");
  await expect(quote.getByRole("status")).toHaveText("accepted: Grain");
  await expect(quote.getByText("The job is planned as it was ordered.")).toBeVisible();
  await page.goto(`/jobs/${jobId}/build`);
  await page.getByRole("button", { name: "undo", exact: true }).click();
  await expect(page.getByRole("button", { name: "redo", exact: true })).toBeEnabled();
  await saved(page);
  await page.goto(`/jobs/${jobId}/quote`);
  const uncovered = page.getByRole("region", { name: "Not covered" });
  await expect(uncovered).toContainText("this the quote does not cover");
  await expect(uncovered.getByRole("listitem").first()).toBeVisible();

  await page.getByRole("link", { name: "cost and price" }).click();
  await expect(page.getByRole("region", { name: "Price", exact: true })).toContainText(
    new RegExp(
      `Ordered by quote ${number} for \\$466\\.54\\. The plan was changed since: \\d+ things? it does not cover\\.`,
    ),
  );
  await page.getByRole("link", { name: `quote ${number}` }).click();

  // In the list of all, and each found again by its number.
  await page.getByRole("link", { name: "all quotes" }).click();
  const row = page.getByRole("row", { name: new RegExp(number) });
  await expect(row).toContainText("accepted");
  await expect(row).toContainText("$294.94 to $466.54");
  await row.getByRole("link", { name: number }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(number);
});

test("what was quoted beside what became of it, and what an hour brought", async ({ page }) => {
  await signIn(page);
  await page.getByRole("link", { name: "Reception desk" }).first().click();
  await page.waitForURL("**/measure");
  await stage(page, "Log");
  const held = page.getByRole("region", { name: "Quoted and actual" });
  await expect(held.getByRole("row", { name: /^Slow coating 1:1/ })).toContainText("fl oz");
  await expect(held.getByRole("row", { name: /^All it cost/ })).toContainText("$");
  await page.goto("/learn");
  await page.getByRole("link", { name: "What an hour brought" }).click();
  const table = page.getByRole("table", { name: "What an hour brought, in USD" });
  await expect(table.getByRole("row", { name: /^Counter, one colour up to 10 ft² 2 / })).toBeVisible();
  await page.getByRole("link", { name: "Potting bench" }).click();
  await expect(page.getByRole("region", { name: "Quoted and actual" })).toBeVisible();
});
