import { expect, test } from "@playwright/test";
import { makeJob, signIn } from "../fixtures/shop";

test("jobs: found by search, renamed, given a status and a date, duplicated, archived and taken out again", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Listed job");
  await page.goto("/jobs");
  const row = (name: string) => page.getByRole("row", { name: new RegExp(name) });
  await row("Listed job").getByRole("button", { name: "more" }).click();
  await page.getByRole("menuitem", { name: "Rename, status, date" }).click();
  await page.getByLabel("Name of the job").fill("   ");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Type a name for the job.")).toBeVisible();
  await page.getByLabel("Name of the job").fill("Renamed job");
  await page.getByLabel("Client, or empty for own work").fill("Somebody");
  await page.getByLabel("Status", { exact: true }).selectOption("approved");
  await page.getByLabel("Due").fill("2020-02-29");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(row("Renamed job")).toContainText("29 Feb 2020");
  await expect(row("Renamed job")).toContainText("late");
  await row("Renamed job").getByRole("button", { name: "more" }).click();
  await page.getByRole("menuitem", { name: "Duplicate" }).click();
  await expect(row("Renamed job, copy")).toBeVisible();
  await row("Renamed job, copy").getByRole("button", { name: "more" }).click();
  await page.getByRole("menuitem", { name: "Archive" }).click();
  await expect(row("Renamed job, copy")).toHaveCount(0);
  await page.getByLabel("Search name, client, status").fill("somebody");
  await expect(row("Renamed job")).toHaveCount(2);
  await page.getByLabel("Search name, client, status").fill("nothing like it");
  await expect(page.getByText("Nothing is called “nothing like it”")).toBeVisible();
  await page.getByLabel("Search name, client, status").fill("");
  await page.getByRole("radio", { name: "archived" }).click();
  await row("Renamed job, copy").getByRole("button", { name: "more" }).click();
  await page.getByRole("menuitem", { name: "Take out of the archive" }).click();
  await page.getByRole("radio", { name: "open" }).click();
  await expect(row("Renamed job, copy")).toBeVisible();
});

test("wrong passwords: said in words, what was typed stays, and repeated ones have to wait", async ({
  page,
}) => {
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill("nobody@lantern-yard.example");
  for (let attempt = 0; attempt < 6; attempt += 1) {
    await page.getByLabel("Password").fill(`wrong ${attempt}`);
    await page.getByRole("button", { name: "Sign in" }).click();
    await expect(
      page.getByRole("alert").filter({ hasText: attempt < 5 ? "do not go together" : "Try again in" }),
    ).toBeVisible();
    await expect(page.getByLabel("E-mail")).toHaveValue("nobody@lantern-yard.example");
  }
});

test("on a phone the list fits its width, and what is wet stays at hand below it", async ({
  browser,
  baseURL,
}) => {
  const phone = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    baseURL: baseURL ?? "",
  });
  const page = await phone.newPage();
  await signIn(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  await page.getByRole("complementary", { name: "Wet now" }).getByRole("link").click();
  await page.waitForURL("**/pours/**");
  await phone.close();
});
