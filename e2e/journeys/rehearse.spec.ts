import { expect, test, type Locator, type Page } from "@playwright/test";
import { makeJob, openCopy, saved, signIn, stage } from "../fixtures/shop";

async function openRehearse(page: Page): Promise<void> {
  await signIn(page);
  await openCopy(page, "Serving counter");
  await stage(page, "Rehearse");
}

/** What is drawn: the mean and the spread of its light, to see that there is a picture and when it changes. */
const drawn = (picture: Locator) =>
  picture.evaluate((element) => {
    const canvas = element as HTMLCanvasElement;
    const { data } = canvas.getContext("2d")!.getImageData(0, 0, canvas.width, canvas.height);
    let [sum, squares, seen] = [0, 0, 0];
    for (let i = 0; i < data.length; i += 4) {
      if (data[i + 3] === 0) continue;
      sum += data[i]!;
      squares += data[i]! ** 2;
      seen += 1;
    }
    return { mean: sum / seen, spread: Math.sqrt(squares / seen - (sum / seen) ** 2), seen };
  });

test("the piece after each of its passes: drawn, played, scrubbed; shares on top against poured", async ({
  page,
}) => {
  await openRehearse(page);
  const picture = page.getByRole("img", { name: /^Left run after \d+ of \d+ passes$/ });
  await expect.poll(async () => (await drawn(picture)).seen).toBeGreaterThan(10_000);
  expect((await drawn(picture)).spread).toBeGreaterThan(15);
  const rows = page.getByRole("row").filter({ hasText: "%" });
  // Measured by a worker after the picture, on a busy machine some time later.
  await expect(rows.filter({ hasText: "Bone white" })).toContainText(/\d+ %\s*\d+ %/);
  await expect(page.getByText(/character of the pour, not the piece/)).toBeVisible();

  // The base alone is one colour; by keys the passes come back one after the other.
  const passes = page.getByRole("group", { name: "The passes" });
  // Each pass small above its name, the base one colour, the last as lively as the large picture.
  const small = passes.locator("canvas");
  await expect(small).toHaveCount(await passes.getByRole("button", { name: /^(?!Play)/ }).count());
  await expect.poll(async () => (await drawn(small.last())).spread).toBeGreaterThan(15);
  expect((await drawn(small.first())).spread).toBeLessThan(12);
  await passes.getByRole("button", { name: /^Base/ }).click();
  await expect.poll(async () => (await drawn(picture)).spread).toBeLessThan(12);
  await passes.getByRole("button", { name: /^Base/ }).focus();
  await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("img", { name: /^Left run after 1 of/ })).toBeVisible();
  await passes.getByRole("button", { name: "Play" }).click();
  await expect(passes.getByRole("button", { name: "Pause" })).toBeVisible();
  await expect(page.getByRole("img", { name: /^Left run after 3 of/ })).toBeVisible();
  await passes.getByRole("button", { name: "Pause" }).click();
});

test("a pass is worked otherwise: the picture and its numbers follow, and undo brings back what was", async ({
  page,
}) => {
  await openRehearse(page);
  const picture = page.getByRole("img", { name: /^Left run after/ });
  const mud = page.getByText("mud, over what was poured").locator("..");
  await expect(mud).toContainText(/\d\.\d/);
  const passes = page.getByRole("group", { name: "The passes" });
  await passes.getByRole("button", { name: /^Palm blend/ }).click();
  await expect(page.getByRole("img", { name: /^Left run after 3 of/ })).toBeVisible();
  await expect.poll(async () => (await drawn(picture)).seen).toBeGreaterThan(10_000);
  const form = page.getByRole("region", { name: "How Palm blend is worked" });
  const told = page.locator("[aria-busy=false]").filter({ has: page.getByText("mud, over what was poured") });
  const muddy = async () => Number(/(\d+\.\d)/.exec((await mud.textContent()) ?? "")?.[1] ?? NaN);
  await expect(told).toBeVisible();
  const before = await muddy();
  // By keys: as many rounds as there are on the scale.
  await form.getByRole("slider", { name: "Rounds" }).focus();
  await page.keyboard.press("End");
  await expect(form.getByRole("slider", { name: "Rounds" })).toHaveAttribute("aria-valuetext", "8");
  await expect.poll(muddy).toBeGreaterThan(before);
  await form.getByLabel("Tool").selectOption("squeegee");
  await saved(page);
  await page.reload();
  await passes.getByRole("button", { name: /^Palm blend/ }).click();
  await expect(form.getByLabel("Tool")).toHaveValue("squeegee");
  await page.getByRole("button", { name: "undo" }).click();
  await page.getByRole("button", { name: "undo" }).click();
  await expect(form.getByLabel("Tool")).toHaveValue("hand");
});

test("looks on this piece: one is taken, fills the coat, and Build says what its rehearsal found", async ({
  page,
}) => {
  await openRehearse(page);
  await page.getByRole("button", { name: "Looks" }).click();
  const dialog = page.getByRole("dialog", { name: "Looks, on Left run" });
  await expect(dialog.getByRole("img")).toHaveCount(12);
  await expect
    .poll(async () => (await drawn(dialog.getByRole("img", { name: "Straight grain, combed" }))).spread)
    .toBeGreaterThan(8);
  await dialog.getByRole("button", { name: /^Bucket pour/ }).click();
  await expect(page.getByRole("group", { name: "The passes" })).toContainText("Pour from the bucket");
  await saved(page);
  await stage(page, "Build");
  await expect(page.getByRole("button", { name: /Bucket pour behind a dam/ }).first()).toBeVisible();
  const advice = page.getByRole("region", { name: "From the rehearsal" });
  await expect(advice.getByRole("note").first()).toBeVisible();
  await expect(advice).toContainText(/%|mud|third|thin/i);
});

test("looks that were drawn once are there when the dialog is opened again: no worker is asked", async ({
  page,
}) => {
  await page.addInitScript(() => {
    const send = Worker.prototype.postMessage as (this: Worker, message: unknown) => void;
    Object.assign(globalThis, { asked: 0 });
    Worker.prototype.postMessage = function (message: { kind?: string }) {
      if (message.kind === "rows") (globalThis as unknown as { asked: number }).asked += 1;
      send.call(this, message);
    };
  });
  const asked = () => page.evaluate(() => (globalThis as unknown as { asked: number }).asked);
  await openRehearse(page);
  await expect(
    page.locator("[aria-busy=false]").filter({ hasText: "mud, over what was poured" }),
  ).toContainText("sisters");
  const looks = page.getByRole("dialog", { name: "Looks, on Left run" }).getByRole("img");
  const allDrawn = async () => {
    await expect(looks).toHaveCount(12);
    for (const look of await looks.all())
      await expect.poll(async () => (await drawn(look)).seen).toBeGreaterThan(500);
  };
  // The strip's small pictures come last.
  const strip = page.getByRole("group", { name: "The passes" }).locator("canvas");
  for (const small of await strip.all())
    await expect.poll(async () => (await drawn(small)).seen).toBeGreaterThan(100);
  const before = await asked();
  await page.getByRole("button", { name: "Looks" }).click();
  await allDrawn();
  expect((await asked()) - before).toBe(12);
  const first = await Promise.all((await looks.all()).map(drawn));
  await page.keyboard.press("Escape");
  await expect(looks).toHaveCount(0);
  await page.getByRole("button", { name: "Looks" }).click();
  await allDrawn();
  expect(await Promise.all((await looks.all()).map(drawn))).toEqual(first);
  expect((await asked()) - before).toBe(12);
});

test("four sisters side by side: one is chosen, kept with the job, and undone", async ({ page }) => {
  await openRehearse(page);
  await expect(page.getByLabel("Sister", { exact: true })).toHaveValue("1");
  await page.getByRole("button", { name: "Four sisters" }).click();
  const sisters = page.getByRole("group", { name: "Four sisters" });
  await expect(sisters.getByRole("img")).toHaveCount(4);
  await expect.poll(async () => (await drawn(sisters.getByRole("img").nth(2))).seen).toBeGreaterThan(1000);
  await sisters.getByRole("button", { name: /sister 3/ }).click();
  await expect(page.getByLabel("Sister", { exact: true })).toHaveValue("3");
  await saved(page);
  await page.reload();
  await expect(page.getByLabel("Sister", { exact: true })).toHaveValue("3");
  await page.getByLabel("Sister", { exact: true }).fill("0");
  await expect(page.getByRole("alert").first()).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "undo" }).click();
  await expect(page.getByLabel("Sister", { exact: true })).toHaveValue("1");
  await saved(page);
});

test("how far the numbers may lie: shares on top, mud and colours apart are told with their sisters", async ({
  page,
}) => {
  await openRehearse(page);
  const white = page.getByRole("row").filter({ hasText: "Bone white" });
  await expect(white).toContainText(/\d+–\d+/);
  const cells = await white.getByRole("cell").allTextContents();
  const top = Number(/(\d+) %/.exec(cells[1] ?? "")?.[1]);
  const [low, high] = /(\d+)–(\d+)/
    .exec(cells[2] ?? "")!
    .slice(1)
    .map(Number);
  expect(low).toBeLessThanOrEqual(top);
  expect(high).toBeGreaterThanOrEqual(top);
  const mud = page.getByText("mud, over what was poured").locator("..");
  await expect(mud).toContainText(/sisters \d+\.\d to \d+\.\d/);
  // Another pass, another picture: its sisters are measured anew, not those of the last one shown.
  await page
    .getByRole("group", { name: "The passes" })
    .getByRole("button", { name: /^Lay the colours/ })
    .click();
  await expect(white).not.toContainText("–");
  await expect(white).toContainText(/\d+–\d+/);
});

test("a tumbler is seen around its wall, filled by a look of its own", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Trial tumbler");
  await page.getByRole("button", { name: "Tumbler" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await page.getByRole("button", { name: "fill by a look" }).click();
  await page.getByRole("menuitem", { name: /^Striped tumbler/ }).click();
  await saved(page);
  // Come to by keys: its picture is begun before it is opened.
  await page
    .getByRole("navigation", { name: "Stages of the job" })
    .getByRole("link", { name: "Rehearse" })
    .focus();
  await page.keyboard.press("Enter");
  await page.waitForURL("**/rehearse");
  const picture = page.getByRole("img", { name: /after \d+ of \d+ passes$/ });
  await expect.poll(async () => (await drawn(picture)).seen).toBeGreaterThan(10_000);
  expect((await drawn(picture)).spread).toBeGreaterThan(25);
  const passes = page.getByRole("group", { name: "The passes" });
  await expect(passes.getByRole("button", { name: /^(Tilt|Turn)/ })).toBeVisible();
  await expect(page.getByRole("row").filter({ hasText: "Sea green" })).toContainText(/\d+ %/);
});

test("a river in layers: what a later layer covers is not called swallowed", async ({ page }) => {
  await signIn(page);
  await openCopy(page, "River table, elm");
  await stage(page, "Rehearse");
  const picture = page.getByRole("img", { name: /after \d+ of \d+ passes$/ });
  await expect.poll(async () => (await drawn(picture)).seen).toBeGreaterThan(10_000);
  await expect(page.locator("[aria-busy=false]").filter({ hasText: "mud, over" })).toBeVisible();
  await expect(page.getByText("it is swallowed")).toHaveCount(0);
});

test("a floor is rehearsed strip by strip, as its batches are poured; a job without passes begins with a look", async ({
  page,
}) => {
  await signIn(page);
  await openCopy(page, "Hallway floor");
  await stage(page, "Rehearse");
  const picture = page.getByRole("img", { name: /^Hallway after/ });
  await expect.poll(async () => (await drawn(picture)).seen).toBeGreaterThan(10_000);
  const strips = page.getByText(/^strip \d$/);
  await expect(strips.first()).toBeVisible();
  const many = await strips.count();
  expect(many).toBeGreaterThan(1);
  // Side by side along the picture, from its one end to its other.
  const box = (await picture.boundingBox())!;
  const boxes = await Promise.all((await strips.all()).map(async (strip) => (await strip.boundingBox())!));
  expect(Math.abs(boxes[0]!.x - box.x)).toBeLessThan(2);
  expect(Math.abs(boxes.at(-1)!.x + boxes.at(-1)!.width - box.x - box.width)).toBeLessThan(2);
  expect(Math.abs(boxes[1]!.x - boxes[0]!.x - boxes[0]!.width)).toBeLessThan(2);
  await stage(page, "Build");

  await openCopy(page, "Market tumblers");
  await stage(page, "Rehearse");
  await expect(page.getByRole("main")).toContainText(/has no passes: take a look/);
  await page.getByRole("button", { name: "Looks" }).click();
  await page
    .getByRole("dialog", { name: /^Looks/ })
    .getByRole("button", { name: /^Striped tumbler/ })
    .click();
  await expect(page.getByRole("img", { name: /^Tumbler after/ })).toBeVisible();
});
