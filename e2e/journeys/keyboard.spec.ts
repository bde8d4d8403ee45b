import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { tabTo } from "../fixtures/keys";
import { OWNER, pdfText } from "../fixtures/shop";

test("keyboard alone, from sign-in to the printed batch sheet", async ({ page }) => {
  const { keyboard } = page;
  await page.goto("/sign-in");
  await expect(page.getByLabel("E-mail")).toBeFocused();
  await keyboard.type(OWNER.email);
  await keyboard.press("Tab");
  await keyboard.type(OWNER.password);
  await keyboard.press("Enter");
  await page.waitForURL("**/bench");
  await tabTo(page, /^Jobs$/);
  await keyboard.press("Enter");
  await page.waitForURL("**/jobs");

  await tabTo(page, /^New job$/);
  await keyboard.press("Enter");
  await expect(page.getByLabel("Name of the job")).toBeFocused();
  await keyboard.type("Road by keyboard");
  await keyboard.press("Enter");
  await page.waitForURL("**/measure");

  await tabTo(page, /^Straight run$/);
  await keyboard.press("Enter");
  await tabTo(page, /^Length/);
  await keyboard.press("Control+A");
  await keyboard.type("6 ft");
  // Arrow keys step by a quarter inch.
  await keyboard.press("ArrowUp");
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("72 1/4");
  await keyboard.press("ArrowDown");
  await tabTo(page, /^Depth/);
  await keyboard.press("Control+A");
  await keyboard.type("24 in");

  await tabTo(page, /^Build$/);
  await keyboard.press("Enter");
  await page.waitForURL("**/build");
  await tabTo(page, /^base$/);
  await keyboard.press("Enter");
  await tabTo(page, /^colour$/);
  await keyboard.press("Enter");
  await tabTo(page, /Share of Bone white/);
  for (let press = 0; press < 5; press += 1) await keyboard.press("ArrowRight");
  await expect(page.getByRole("slider", { name: "Share of Bone white" })).toHaveAttribute(
    "aria-valuenow",
    "65",
  );

  await tabTo(page, /^(done)?Cups$/);
  await keyboard.press("Enter");
  await page.waitForURL("**/cups");
  await expect(page.getByText("1 Bone white")).toBeVisible();
  await tabTo(page, /^A4$/);
  const [file] = await Promise.all([page.waitForEvent("download"), keyboard.press("Enter")]);
  const pdf = await pdfText(readFileSync(await file.path()));
  expect(pdf.text).toContain("Road by keyboard");
  expect(pdf.text).toContain("Bone white");
});
