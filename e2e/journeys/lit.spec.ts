import { expect, test, type Locator } from "@playwright/test";
import { openCopy, signIn, stage } from "../fixtures/shop";

/** All that a canvas shows, as one number. */
const print = (picture: Locator) =>
  picture.evaluate((element) => {
    const canvas = element as HTMLCanvasElement;
    const { data } = canvas.getContext("2d")!.getImageData(0, 0, canvas.width, canvas.height);
    let sum = 7;
    for (let i = 0; i < data.length; i += 1) sum = (Math.imul(sum, 31) + data[i]!) | 0;
    return sum;
  });
/** The same, once it has not changed for a second. */
async function settled(picture: Locator): Promise<number> {
  let [last, since] = [await print(picture), Date.now()];
  while (Date.now() - since < 1000) {
    await picture.page().waitForTimeout(150);
    const now = await print(picture);
    if (now !== last) [last, since] = [now, Date.now()];
  }
  return last;
}

test("under the lamp: another picture, another light, the same numbers, and the plain one again to the bit", async ({
  page,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await stage(page, "Rehearse");
  const picture = page.getByRole("img", { name: /after \d+ of \d+ passes$/ });
  const numbers = page.locator("[aria-busy=false]").filter({ hasText: "mud, over what was poured" });
  await expect(numbers).toContainText("sisters");
  // Lit at first; plain by one touch, and so it stays when one comes back.
  await expect(page.getByText("all numbers go by the plain picture")).toBeVisible();
  const first = await settled(picture);
  await page.getByRole("button", { name: "plain picture" }).click();
  await expect.poll(() => print(picture)).not.toBe(first);
  const plain = await settled(picture);
  const told = await numbers.innerText();
  await page.reload();
  await expect(numbers).toContainText("sisters");
  await expect(page.getByText("Character of the pour, not the piece.")).toBeVisible();
  await expect(page.getByText("all numbers go by the plain picture")).toHaveCount(0);
  expect(await settled(picture)).toBe(plain);
  await page.getByRole("button", { name: "under the lamp" }).click();
  await expect(page.getByText("all numbers go by the plain picture")).toBeVisible();
  await expect.poll(() => print(picture)).not.toBe(plain);
  const lit = await settled(picture);
  // The lamp is carried round by keys.
  const lamp = page.getByRole("slider", { name: "lamp from" });
  await lamp.focus();
  for (let n = 0; n < 6; n += 1) await page.keyboard.press("ArrowRight");
  await expect.poll(() => print(picture)).not.toBe(lit);
  await settled(picture);
  expect(await numbers.innerText()).toBe(told);
  await page.getByRole("button", { name: "plain picture" }).press("Enter");
  await expect.poll(() => settled(picture)).toBe(plain);

  // The client's sheet goes by the same choice.
  await page.getByRole("link", { name: "For the client" }).click();
  const sheet = page.getByRole("img", { name: /^Sheet for the client/ });
  await expect(page.getByRole("button", { name: "PNG", exact: true })).toBeEnabled();
  const before = await settled(sheet);
  await page.getByRole("button", { name: "under the lamp" }).click();
  await expect(page.getByRole("button", { name: "PNG", exact: true })).toBeEnabled();
  await expect.poll(() => settled(sheet)).not.toBe(before);
});

test("a first picture of which a half comes late lies under what is sharp already", async ({ page }) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await stage(page, "Rehearse");
  const picture = page.getByRole("img", { name: /after \d+ of \d+ passes$/ });
  const numbers = page.locator("[aria-busy=false]").filter({ hasText: "mud, over what was poured" });
  await expect(numbers).toContainText("sisters");
  const sharp = await settled(picture);
  // One worker is asked for its half of the first picture long after the other has begun with what is sharp.
  await page.addInitScript(() => {
    const send = Worker.prototype.postMessage as (this: Worker, message: unknown) => void;
    Worker.prototype.postMessage = function (message: { rough?: boolean; from?: number }) {
      if (message.rough && (message.from ?? 0) > 0) setTimeout(() => send.call(this, message), 6000);
      else send.call(this, message);
    };
  });
  await page.reload();
  await expect(numbers).toContainText("sisters");
  expect(await settled(picture)).toBe(sharp);
});
