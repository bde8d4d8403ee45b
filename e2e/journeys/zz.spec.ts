import { test } from "@playwright/test";
import { signIn } from "../fixtures/shop";
test("shots", async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page);
  await page.goto("/jobs");
  await page.getByRole("link", { name: /leaf/i }).first().click();
  await page.getByRole("link", { name: "Rehearse" }).click();
  await page.waitForTimeout(6000);
  await page.getByRole("button", { name: "Where colours go" }).click();
  await page.getByRole("button", { name: "more here" }).click();
  await page.getByRole("button", { name: "fading this way" }).click();
  await page.waitForTimeout(5000);
  await page.screenshot({ path: "/tmp/s1.png" });
  await page.getByRole("link", { name: "Build" }).click();
  await page.waitForTimeout(1500);
  await page.screenshot({ path: "/tmp/s2.png" });
});
