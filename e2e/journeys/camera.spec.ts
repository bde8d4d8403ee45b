import { expect, test } from "@playwright/test";
import { withCameraOn } from "../fixtures/camera";
import { OWNER, openCopy, signInByForm, stage } from "../fixtures/shop";

test("the lot of a bottle is read from its code by the camera, and the other bottle's code is told", async ({
  baseURL,
}) => {
  await withCameraOn("LOT K-7731", async (browser) => {
    const context = await browser.newContext({ baseURL: baseURL!, viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await signInByForm(page, OWNER);
    await openCopy(page, "Bistro table");
    await stage(page, "Pour");
    await page.getByRole("button", { name: /^Start/ }).click();
    await page.waitForURL("**/pours/**");
    for (const [part, keeps] of [
      ["A", true],
      ["B", false],
    ] as const) {
      await page.getByRole("button", { name: `Lot of ${part}` }).click();
      await page.getByRole("button", { name: "Read it with the camera" }).click();
      await expect(page.getByLabel("As it stands on the bottle")).toHaveValue("LOT K-7731");
      if (keeps) await page.getByRole("button", { name: "Keep the lot" }).click();
    }
    await expect(page.getByText(/stood on the bottle of A/)).toBeVisible();
    await page.keyboard.press("Escape");
    await expect(page.getByRole("button", { name: "Lot of A" })).toHaveText("lot LOT K-7731");
    await page.getByRole("button", { name: "call it off" }).click();
    await page.getByRole("dialog").getByRole("button", { name: "Call it off" }).click();
    await expect(page.getByRole("heading", { name: "Called off" })).toBeVisible();
  });
});
