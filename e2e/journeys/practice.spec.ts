import { readFile } from "node:fs/promises";
import sharp from "sharp";
import { expect, test, type Page } from "@playwright/test";
import { openCopy, pdfText, saved, signIn, stage } from "../fixtures/shop";

async function open(page: Page, part: "Practice" | "For the client"): Promise<void> {
  await signIn(page);
  await openCopy(page, "Serving counter");
  await stage(page, "Rehearse");
  await page.getByRole("link", { name: part }).click();
  await page.waitForURL(/rehearse\/(practice|client)/);
}

test("practice: pulls by mouse and by keys against the clock, a critique, scores kept, pulls into the plan", async ({
  page,
}) => {
  await open(page, "Practice");
  const board = page.getByRole("application", { name: /^The wet Left run/ });
  const canvas = board.locator("canvas");
  const light = () =>
    canvas.evaluate((element) => {
      const own = element as HTMLCanvasElement;
      const { data } = own.getContext("2d")!.getImageData(0, 0, own.width, own.height);
      let sum = 0;
      for (let i = 0; i < data.length; i += 4) sum += data[i]! * ((i % 8191) + 1);
      return sum;
    });
  await expect.poll(light).toBeGreaterThan(0);
  const before = await light();
  await page.getByRole("radio", { name: "20×" }).click();
  const box = (await board.boundingBox())!;
  const y = box.y + box.height * 0.5;
  await page.mouse.move(box.x + 120, y);
  await page.mouse.down();
  await page.mouse.move(box.x + 700, y + 40, { steps: 24 });
  await page.mouse.up();
  await expect(page.getByText("1 pull", { exact: false }).first()).toBeVisible();
  await expect.poll(light).not.toBe(before);
  // The clock runs, twenty times as fast.
  const minute = async () =>
    Number(await page.getByText("minute of the film").locator("..").locator(".figure").textContent());
  const began = await minute();
  await expect.poll(minute).toBeGreaterThan(began + 0.5);
  // By keys: down, to the right, up.
  await page.getByRole("radio", { name: "squeegee" }).click();
  await board.focus();
  await page.keyboard.press("Enter");
  for (let n = 0; n < 5; n += 1) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await expect(page.getByText("2 pulls")).toBeVisible();
  await page.getByRole("button", { name: "Take back the last pull" }).click();
  await expect(page.getByText(/^1 pull/)).toBeVisible();
  await page.getByRole("button", { name: "Stop here, and what was it?" }).click();
  const critique = page.getByRole("region", { name: "Critique" });
  await expect(critique).toContainText(/A tool went over \d+ % of the top/);
  await expect(critique).toContainText(/min of open time used/);
  await page.getByRole("button", { name: "Make these pulls the pass" }).click();
  await saved(page);
  await page.getByRole("link", { name: "The pour" }).click();
  await page
    .getByRole("group", { name: "The passes" })
    .getByRole("button", { name: /^Palm blend/ })
    .click();
  await expect(page.getByText(/1 practised pull\./)).toBeVisible();
  await page.getByRole("link", { name: "Practice" }).click();
  await expect(page.getByText(/Your last scores: \d+/)).toBeVisible();
});

test("a pen's pressure is used: pressed lightly the tool glides, pressed firmly it leaves a thin place", async ({
  page,
  context,
}) => {
  await open(page, "Practice");
  const board = page.getByRole("application", { name: /^The wet Left run/ });
  await page.getByRole("radio", { name: "squeegee" }).click();
  const devtools = await context.newCDPSession(page);
  /** One pull of a pen across the middle, as its driver tells it: where it is and how firmly it is pressed. */
  const pull = async (force: number) => {
    const box = (await board.boundingBox())!;
    const say = (type: "mousePressed" | "mouseMoved" | "mouseReleased", share: number) =>
      devtools.send("Input.dispatchMouseEvent", {
        type,
        x: box.x + box.width * (0.2 + 0.5 * share),
        y: box.y + box.height * 0.45,
        button: "left",
        buttons: type === "mouseReleased" ? 0 : 1,
        clickCount: 1,
        pointerType: "pen",
        force,
      });
    await say("mousePressed", 0);
    for (let n = 1; n <= 20; n += 1) await say("mouseMoved", n / 20);
    await say("mouseReleased", 1);
  };
  const critique = page.getByRole("region", { name: "Critique" });
  const stop = page.getByRole("button", { name: "Stop here, and what was it?" });
  await expect(board).toBeVisible();
  await pull(0.06);
  await stop.click();
  await expect(critique).toContainText(/A tool went over \d+ % of the top/);
  await expect(critique).toContainText("No thin place.");

  await page.getByRole("button", { name: "Again from the start" }).click();
  await pull(1);
  await stop.click();
  await expect(critique).toContainText(/thin places?, down to [\d.]+ fl oz\/ft²: less pressure/);
});

test("a practice is not lost when the server is away: it waits in the browser and is kept later", async ({
  page,
  context,
}) => {
  await open(page, "Practice");
  const board = page.getByRole("application");
  const box = (await board.boundingBox())!;
  await expect(board.locator("canvas")).toBeVisible();
  await page.waitForTimeout(2500);
  await page.mouse.move(box.x + 200, box.y + 120);
  await page.mouse.down();
  await page.mouse.move(box.x + 500, box.y + 160, { steps: 12 });
  await page.mouse.up();
  await context.setOffline(true);
  await page.getByRole("button", { name: "Stop here, and what was it?" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "kept in this browser only" })).toBeVisible();
  await context.setOffline(false);
  await page.getByRole("button", { name: "keep it now" }).click();
  await expect(page.getByText("kept in this browser only")).toHaveCount(0);
});

test("for the client: PNG and a page to sign, approved it stays with the recipe version", async ({
  page,
}) => {
  await open(page, "For the client");
  const png = page.getByRole("button", { name: "PNG" });
  await expect(png).toBeEnabled();
  const coming = page.waitForEvent("download");
  await png.click();
  const image = await sharp(await readFile((await (await coming).path())!)).stats();
  expect(image.channels.length).toBeGreaterThanOrEqual(3);
  // Paper is white, the picture is not.
  expect(image.channels[0]!.max).toBe(255);
  expect(image.channels[0]!.stdev).toBeGreaterThan(15);
  await expect(page.getByRole("button", { name: "PDF to sign" })).toBeEnabled();
  const sheet = page.waitForEvent("download");
  await page.getByRole("button", { name: "PDF to sign" }).click();
  const { text, pages, width, height } = await pdfText(await readFile((await (await sheet).path())!));
  expect(pages).toBe(1);
  expect(width).toBeGreaterThan(height);
  expect(text).toContain("Approved by");
  const approve = page.getByRole("button", { name: "Approved", exact: true });
  await expect(approve).toBeEnabled();
  await approve.click();
  await expect(page.getByText("Left run, sister 1")).toBeVisible();
  await page.goto("/recipes");
  await page.getByRole("link", { name: /Harbour slate/ }).click();
  await page.waitForURL("**/recipes/*");
  await page
    .getByRole("list", { name: "Versions" })
    .getByRole("button", { name: /^Version 4/ })
    .click();
  await expect(
    page.getByRole("region", { name: "Approved pictures" }).getByText("Left run, sister 1"),
  ).toBeVisible();
});
