import { expect, test } from "@playwright/test";
import { field, makeJob, saved, signIn, stage } from "../fixtures/shop";

test("units, mixing methods, losses, the scale, the clock: each change is followed at once", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Cups in detail");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await stage(page, "Cups");
  const why = page.getByRole("region", { name: "How much, and why" });
  const hero = why.locator(".figure").first();
  const number = async () =>
    Number((await hero.innerText()).replace(/\s*(ml|fl oz)$/, "").replace(/[^\d.]/g, ""));

  // The other system first, for this person, everywhere; the first one stays beside.
  await page.getByRole("radio", { name: "mm · ml" }).click();
  await expect(hero).toContainText("ml");
  await expect(why.getByText(/fl oz ·/)).toBeVisible();
  const before = await number();

  // A factor of one loss: opened, changed, explained, put back.
  await why.getByRole("button", { name: /^Sticks/ }).click();
  await field(page, "left on a stick, ml").fill("12");
  await expect.poll(number).toBeGreaterThan(before + 20);
  await expect(why.getByText(/assumed · One stick a cup/)).toBeVisible();
  await why.getByRole("button", { name: /back to the usual 2 ml/ }).click();
  await expect.poll(number).toBe(before);

  // The scale: too much A is answered by more B, in one sentence and with numbers.
  const scale = page.getByRole("region", { name: "On the scale" });
  const planned = Number(
    (await scale.getByRole("listitem").first().locator(".figure").innerText()).replace(/[^\d.]/g, ""),
  );
  await field(page, "A in the pot").fill(String(planned + 25));
  await expect(scale.getByText(/^Bring B to .*The batch grows to/)).toBeVisible();
  await field(page, "B in the pot").fill("5000");
  await expect(scale.getByText(/Bring A to/)).toBeVisible();

  // The other method: every cup has an A and a B of its own.
  await stage(page, "Build");
  await page.getByRole("button", { name: "start, mixing, rate, faces, stones" }).click();
  await page.getByRole("radio", { name: "colour into A, then B" }).click();
  await stage(page, "Cups");
  await expect(scale.getByText("A, resin, for Bone white")).toBeVisible();
  // A cup that is mixed for itself is held against its own B.
  await field(page, "A for Bone white").fill("500");
  await field(page, "B for Bone white").fill("100");
  await expect(scale.getByText(/^Bone white: B is \d+ % too little for its A.*Bring B to/)).toBeVisible();
  await expect(scale.getByText("B, hardener, for Ink black")).toBeVisible();
  await expect(page.getByText("A in the pot")).toHaveCount(0);

  // The clock.
  await field(page, "First mix").fill("13:30");
  await expect(page.getByRole("row", { name: /13:30.*Colour/ })).toBeVisible();
  await saved(page);
  await page.getByRole("radio", { name: "in · fl oz" }).click();
  await expect(hero).toContainText("fl oz");
});

test("a slow hand on a large top in the heat needs more batches, and is told why", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Many batches");
  await page.getByRole("button", { name: "Straight run" }).click();
  await field(page, "Length").fill("20 ft");
  await stage(page, "Build");
  await field(page, "Room and resin").fill("84F");
  await expect(page.getByText(/Above 27 °C/)).toBeVisible();
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await page.getByRole("button", { name: "start, mixing, rate, faces, stones" }).click();
  await field(page, "One person lays in an hour").fill("30 ft2/h");
  await expect(page.getByText(/\d+ batches\. All at once would live/)).toBeVisible();
  await page.getByText("why").first().click();
  await stage(page, "Cups");
  await expect(page.getByRole("heading", { name: /^Batch 1 of \d/ })).toBeVisible();
  await page.getByRole("radio", { name: "2", exact: true }).click();
  await expect(page.getByRole("heading", { name: /^Batch 2 of/ })).toBeVisible();
  await expect(page.getByText(/Straight run from/).first()).toBeVisible();
});

test("advice stands beside the line it speaks of; a flame too soon is a danger", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Advice");
  await page.getByRole("button", { name: "Round" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "primer", exact: true }).click();
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await page.getByRole("button", { name: "fill by a look" }).click();
  await page.getByRole("menuitem", { name: /^Palm blend/ }).click();
  await expect(page.getByText("Black goes last, into wet colour.")).toHaveCount(0);
  await page.getByRole("button", { name: "start, mixing, rate, faces, stones" }).click();
  await page.getByLabel("Begins").selectOption("tacky");
  await expect(page.getByText("Black goes last, into wet colour.")).toBeVisible();
  await page.getByRole("button", { name: /Torch, quick sweeps/ }).click();
  await field(page, "When").fill("16 min after mixing");
  await field(page, "When").press("Enter");
  await expect(
    page.getByRole("alert").filter({ hasText: "Fire. Let it flash off 5 minutes first" }),
  ).toBeVisible();
  await field(page, "Wet film").fill("1 fl oz/ft2");
  await expect(page.getByText(/a hand-worked colour coat runs short/)).toBeVisible();
  await stage(page, "Pour");
  await expect(page.getByRole("alert").filter({ hasText: "Fire" })).toBeVisible();
});
