import { expect, test } from "@playwright/test";
import { field, makeJob, saved, signIn } from "../fixtures/shop";

test("undo and redo of everything in a job, across reloads", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "History");
  await page.getByRole("button", { name: "Round" }).click();
  await saved(page);
  await field(page, "Diameter").fill("30 in");
  await saved(page);
  await field(page, "Diameter").fill("40 in");
  await saved(page);
  await page.reload();
  await page.keyboard.press("Control+z");
  await expect(field(page, "Diameter")).toHaveValue("30");
  await page.reload();
  await page.getByRole("button", { name: "undo" }).click();
  await page.getByRole("button", { name: "undo" }).click();
  await expect(page.getByText("What is coated?")).toBeVisible();
  await page.reload();
  await page.getByRole("button", { name: "redo" }).click();
  await page.keyboard.press("Control+Shift+z");
  await expect(field(page, "Diameter")).toHaveValue("30");
  await page.getByRole("button", { name: "redo" }).click();
  await expect(field(page, "Diameter")).toHaveValue("40");
  await expect(page.getByRole("button", { name: "redo" })).toBeDisabled();
});

test("two tabs on one job: the second to save is told, both versions are at hand, and neither is lost", async ({
  page,
  context,
}) => {
  await signIn(page);
  await makeJob(page, "Two tabs");
  await page.getByRole("button", { name: "Round" }).click();
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(field(other, "Diameter")).toBeVisible();

  await field(page, "Diameter").fill("33 in");
  await saved(page);
  await field(other, "Diameter").fill("44 in");
  const dialog = other.getByRole("dialog", { name: "This job was saved elsewhere" });
  await expect(dialog).toBeVisible();
  await expect(dialog.getByRole("row", { name: /diameter 33 in 44 in/ })).toBeVisible();
  await dialog.getByRole("button", { name: "Put mine on top" }).click();
  await saved(other);
  await expect(field(other, "Diameter")).toHaveValue("44");
  await other.getByRole("button", { name: "undo" }).click();
  await expect(field(other, "Diameter")).toHaveValue("33");

  // The other choice: theirs is taken, mine stays one redo away.
  await page.reload();
  await field(other, "Diameter").fill("50 in");
  await saved(other);
  await field(page, "Diameter").fill("22 in");
  await page.getByRole("button", { name: "Take what is there" }).click();
  await expect(field(page, "Diameter")).toHaveValue("50");
  await page.getByRole("button", { name: "redo" }).click();
  await expect(field(page, "Diameter")).toHaveValue("22");
});

test("a dead network, a reload, a lost tab: what was typed is kept and goes out later", async ({
  page,
  context,
}) => {
  await signIn(page);
  await makeJob(page, "Kept");
  await page.getByRole("button", { name: "Round" }).click();
  await saved(page);
  const url = page.url();
  await context.route("**/api/act/**", (route) => route.abort());
  await field(page, "Diameter").fill("27 in");
  await expect(page.getByRole("status").filter({ hasText: "the server does not answer" })).toBeVisible();
  await page.close();

  const next = await context.newPage();
  await next.goto(url);
  await expect(field(next, "Diameter")).toHaveValue("27");
  await context.unroute("**/api/act/**");
  await saved(next);
  await next.reload();
  await expect(field(next, "Diameter")).toHaveValue("27");
});
