import { expect, test, type Page } from "@playwright/test";
import { field, makeJob, saved, signIn, stage } from "../fixtures/shop";

async function openBench(page: Page): Promise<void> {
  await page.goto("/bench");
  await expect(page.getByRole("group", { name: "The shop on one clock" })).toBeVisible();
}

/** Sets how many pairs of hands the shop has. */
async function setHands(page: Page, hands: number): Promise<void> {
  await page.getByRole("button", { name: /of hands, bench and hours/ }).click();
  await page.getByLabel("Pairs of hands").fill(String(hands));
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(
    page.getByRole("button", {
      name: `${hands} ${hands === 1 ? "pair" : "pairs"} of hands, bench and hours`,
    }),
  ).toBeVisible();
}

test("home is the bench: the next act large, counting down, and what comes after it in the order of time", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/");
  await page.waitForURL("**/bench");
  const next = page.getByRole("region", { name: "Next" });
  await expect(next.getByRole("link", { name: /^Veins, a thick and some thin/ })).toBeVisible();
  await expect(next.getByText(/right until about .*\(.* to .*\)/)).toBeVisible();
  const figure = () => next.locator(".figure").innerText();
  const first = await figure();
  expect(first).toMatch(/^\d+:\d\d\s*min$/);
  await expect.poll(figure).not.toBe(first);
  const then = page.getByRole("region", { name: "Then" }).getByRole("listitem");
  await expect(then.first()).toContainText("Bistro table");
  expect(await then.count()).toBeGreaterThan(3);
  await next.getByRole("link").click();
  await page.waitForURL("**/pours/**");
});

test("any moment of a wet film by keys: how warm, how thick, what may be done and what must not", async ({
  page,
}) => {
  await signIn(page);
  await openBench(page);
  const moment = page.getByRole("slider", { name: "A moment of the film: Bistro table, Colour" });
  await moment.focus();
  await page.keyboard.press("PageDown");
  await expect(moment).toHaveAttribute("aria-valuetext", /^\d\d:\d\d: \d+ °F · runny · .* flow left \d+ %/);
  for (let hours = 0; hours < 5; hours += 1) await page.keyboard.press("PageDown");
  await expect(moment).toHaveAttribute("aria-valuetext", /too late: .*palm blend/);
});

test("what is done in the pour is done on the bench; stepped back it is next again", async ({ page }) => {
  await signIn(page);
  await openBench(page);
  const next = page.getByRole("region", { name: "Next" });
  await expect(next.getByRole("link", { name: /^Veins, a thick and some thin/ })).toBeVisible();
  await next.getByRole("link").click();
  await page.waitForURL("**/pours/**");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Veins, a thick and some thin");
  await page.keyboard.press("Space");
  await expect(page.getByText("saved here and on the server")).toBeVisible();
  await openBench(page);
  await expect(next.getByRole("link", { name: /^Wet the faces/ })).toBeVisible();
  await page.goBack();
  await page.getByRole("button", { name: "Step back" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Veins, a thick and some thin");
  await expect(page.getByText("saved here and on the server")).toBeVisible();
});

test("the room is read: against the limits of the resins in use; nothing typed is lost without a network", async ({
  page,
  context,
}) => {
  await signIn(page);
  await openBench(page);
  const room = page.getByRole("region", { name: "The room" });
  await expect(room.getByText(/^Right for/)).toBeVisible();
  await room.getByRole("button", { name: "read it now" }).click();
  await page.getByLabel("Temperature").fill("13 C");
  await page.getByLabel("Humidity, if you know it").fill("250");
  await expect(page.getByRole("alert")).toContainText(/100/);
  await page.getByLabel("Humidity, if you know it").fill("88");
  await context.setOffline(true);
  await page.getByRole("button", { name: "Keep the reading" }).click();
  await expect(page.getByRole("alert")).toContainText("does not answer");
  await context.setOffline(false);
  await page.reload();
  await openBench(page);
  await room.getByRole("button", { name: "read it now" }).click();
  await page.getByRole("button", { name: "Keep the reading" }).click();
  await expect(room.getByText("55 °F").or(room.getByText(/^55/)).first()).toBeVisible();
  await expect(room.getByText(/too cold, too near the dew point/).first()).toBeVisible();
  await expect(room.getByText(/River table, elm is planned for 68 °F: .* 1\.\d times as long/)).toBeVisible();
  await room.getByRole("button", { name: "read it now" }).click();
  await page.getByLabel("Temperature").fill("71 F");
  await page.getByLabel("Humidity, if you know it").fill("52");
  await page.getByRole("button", { name: "Keep the reading" }).click();
  await expect(room.getByText(/^Right for/)).toBeVisible();
});

test("two jobs on one morning and one pair of hands: one waits, and says for whom; a better start is found beside the other", async ({
  page,
}) => {
  await signIn(page);
  await openBench(page);
  await expect(page.getByText(/waits \d+ min for hands/)).toHaveCount(0);
  await setHands(page, 1);
  const troubles = page.getByRole("list", { name: "To look at" });
  await expect(troubles.getByText(/waits? .*hands, which are on/).first()).toBeVisible();
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Market tumblers" }).click();
  await page.waitForURL("**/measure");
  await stage(page, "Windows");
  // Pulled a quarter of an hour later it comes after the counter's start, and yields.
  const start = page.getByRole("slider", { name: "Start of the first coat" });
  await start.focus();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("img", { name: /^Hands on other work: .*Serving counter/ })).toBeVisible();
  await expect(page.getByText(/waits? .*hands, which are on Serving counter/).first()).toBeVisible();
  await page.getByRole("button", { name: "Find a start" }).click();
  const starts = page.getByRole("list", { name: "Starts" }).getByRole("listitem");
  await expect(starts.first()).toBeVisible();
  await expect(starts.first()).toContainText("nothing at night, every window kept");
  await start.focus();
  await page.keyboard.press("ArrowLeft");
  await openBench(page);
  await setHands(page, 2);
});

test("the shop's usual face is that of a new piece; a river's board is held against its planer", async ({
  page,
}) => {
  const usualFace = async (text: string) => {
    await page.goto("/bench");
    await page.getByRole("button", { name: /bench and hours$/ }).click();
    await field(page, "Usual height of a face").fill(text);
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByRole("dialog")).toHaveCount(0);
  };
  await signIn(page);
  await usualFace("2 in");
  await makeJob(page, "Two inches high");
  await page.getByRole("button", { name: "Rectangle" }).click();
  const sizes = page.getByRole("region", { name: "Sizes" });
  // Four faces of the usual height, by the line of all sides.
  await expect(sizes.getByText("2 in", { exact: true })).toHaveCount(4);
  await makeJob(page, "A wide board");
  await page.getByRole("button", { name: "River or void" }).click();
  // The demo shop's planer takes 510 mm.
  await field(page, "Width of the whole board").fill("34 in");
  await expect(sizes.getByRole("note")).toContainText("34 in wide, and the planer takes 20 1/16 in");
  await field(page, "Width of the whole board").fill("18 in");
  await expect(sizes.getByText("18 in wide: it goes through the planer")).toBeVisible();
  await saved(page);
  await usualFace("");
});
