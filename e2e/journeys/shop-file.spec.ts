import { readFile, writeFile } from "node:fs/promises";
import { expect, test, type Page } from "@playwright/test";
import Papa from "papaparse";
import { openZip } from "../../src/server/shop-file/read-zip";
import { OWNER, signIn } from "../fixtures/shop";

/** Another shop on the same server. */
const ELSEWHERE = { email: "owner@elsewhere.example", password: "other-shop-secret" };

const saved = async (page: Page, press: () => Promise<void>): Promise<{ path: string; name: string }> => {
  const coming = page.waitForEvent("download");
  await press();
  const file = await coming;
  return { path: await file.path(), name: file.suggestedFilename() };
};

test("all of the shop as a file, read back; one job of it into another shop, asked about and taken in", async ({
  page,
  browser,
  baseURL,
}, testInfo) => {
  await signIn(page);
  await page.getByRole("button", { name: "Ines Calder" }).click();
  await page.getByRole("menuitem", { name: "Lantern Yard Coatings" }).click();
  await page.getByRole("link", { name: "the shop in a file" }).click();
  const whole = await saved(page, () => page.getByRole("button", { name: "Save it all as a file" }).click());
  expect(whole.name).toMatch(/^Lantern Yard Coatings \d{4}-\d\d-\d\d\.gaugebeam\.zip$/);
  const zip = await openZip(whole.path);
  const json = async (name: string) => JSON.parse(await zip.json(name)) as unknown;
  expect(await json("manifest.json")).toMatchObject({
    holds: "shop",
    version: 1,
    name: "Lantern Yard Coatings",
  });
  expect(zip.names.filter((name) => name.startsWith("jobs/")).length).toBeGreaterThan(20);
  const table = async (name: string) =>
    Papa.parse<Record<string, string>>(await zip.json(`tables/${name}`), { header: true }).data;
  expect(
    (await table("money.csv")).find(({ quote }) => quote === "2026-001" || quote?.endsWith("-001")),
  ).toMatchObject({
    currency: "USD",
    ordered: "yes",
  });
  const log = await table("log.csv");
  expect(log.length).toBeGreaterThan(15);
  expect(Number(log[0]!["planned_ml"])).toBeGreaterThan(100);
  expect((await table("shelf.csv")).some(({ item }) => item === "Slow coating 1:1")).toBe(true);
  expect(await zip.json("people.json")).not.toContain("argon");
  zip.close();

  // Into the shop that it is of: every name is asked about. Nothing is taken in.
  await page.getByLabel("A Gaugebeam file").setInputFiles(whole.path);
  await expect(page.getByText("A whole shop: Lantern Yard Coatings")).toBeVisible();
  await expect(page.getByRole("region", { name: "Jobs" }).getByText("Reception desk")).toBeVisible();
  await page.getByRole("button", { name: "Leave it", exact: true }).click();

  // What is no file of ours, or was cut off, is refused in words.
  const broken = testInfo.outputPath("broken.zip");
  await writeFile(broken, (await readFile(whole.path)).subarray(0, 40_000));
  await page.getByLabel("A Gaugebeam file").setInputFiles(broken);
  await expect(page.getByRole("alert").filter({ hasText: "cut off on its way" })).toBeVisible();
  await page
    .getByLabel("A Gaugebeam file")
    .setInputFiles({ name: "notes.zip", mimeType: "application/zip", buffer: Buffer.from("no zip") });
  await expect(page.getByRole("alert").filter({ hasText: "it is no zip" })).toBeVisible();

  // One job, for a colleague.
  await page.goto("/jobs");
  const row = page.getByRole("row", { name: /Club coasters, a dozen/ });
  await row.getByRole("button", { name: "more" }).click();
  const job = await saved(page, () =>
    page.getByRole("menuitem", { name: "As a file, for a colleague" }).press("Enter"),
  );
  expect(job.name).toBe("Club coasters, a dozen.gaugebeam.zip");
  const colleague = await (await browser.newContext({ ...(baseURL && { baseURL }) })).newPage();
  await signIn(colleague, ELSEWHERE);
  await colleague.goto("/shop/file");
  await colleague.getByLabel("A Gaugebeam file").setInputFiles(job.path);
  await expect(colleague.getByText("One job: Club coasters, a dozen")).toBeVisible();
  const resins = colleague.getByRole("region", { name: "Resins" });
  await resins.getByRole("radio", { name: "bring it in beside" }).first().focus();
  await colleague.keyboard.press("Space");
  // Run once more on the same server, they have it already.
  const known = colleague
    .getByRole("region", { name: "Jobs" })
    .getByRole("radio", { name: "bring it in beside" });
  if ((await known.count()) > 0) await known.click();
  await colleague.getByRole("button", { name: "Take it in" }).press("Enter");
  await expect(colleague.getByText(/^It is here: .*1 job/)).toBeVisible();
  await colleague.goto("/jobs");
  await colleague.getByRole("link", { name: "Club coasters, a dozen" }).first().click();
  await colleague.waitForURL("**/measure");
  await colleague.goto(colleague.url().replace("measure", "cups"));
  await expect(colleague.getByText("What to buy")).toBeVisible();
  await colleague.context().close();
});

test("a hand takes no shop out, and an owner gives a password to who has none", async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, { email: "tomas@lantern-yard.example", password: OWNER.password });
  await page.goto("/shop/file");
  await page.waitForURL("**/shop");
  expect((await page.request.get("/shop/file/shop.zip")).status()).toBe(403);
  const owner = await (await browser.newContext({ ...(baseURL && { baseURL }) })).newPage();
  await signIn(owner);
  await owner.goto("/shop");
  const name = `Mina ${crypto.randomUUID().slice(0, 6)}`;
  const email = `${name.replace(" ", ".").toLowerCase()}@lantern-yard.example`;
  await owner.getByLabel("Name", { exact: true }).fill(name);
  await owner.getByLabel("E-mail").fill(email);
  await owner.getByLabel("First password").fill("stirred-not-shaken-7");
  await owner.getByRole("button", { name: "Add", exact: true }).click();
  const row = owner.getByRole("row", { name: new RegExp(name) });
  await row.getByRole("button", { name: "new password" }).click();
  await owner.getByRole("textbox", { name: "New password" }).fill("short");
  await owner.getByRole("button", { name: "Give it" }).click();
  await expect(owner.getByText("At least 10 letters or figures.")).toBeVisible();
  await owner.getByRole("textbox", { name: "New password" }).fill("poured-at-half-past-nine");
  await owner.getByRole("button", { name: "Give it" }).press("Enter");
  await expect(owner.getByRole("dialog")).toHaveCount(0);
  const mina = await (await browser.newContext({ ...(baseURL && { baseURL }) })).newPage();
  await signIn(mina, { email, password: "poured-at-half-past-nine" });
  await mina.waitForURL("**/jobs");
  await row.getByRole("button", { name: "remove" }).click();
  await expect(row).toHaveCount(0);
  await mina.context().close();
  await owner.context().close();
});
