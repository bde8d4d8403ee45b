import { expect, test, type BrowserContext, type Page } from "@playwright/test";
import { OwnServer } from "../fixtures/own-server";
import { OWNER, openCopy, signInByForm, stage } from "../fixtures/shop";

test.use({ serviceWorkers: "allow" });

const act = (page: Page) => page.getByRole("heading", { level: 1 });
const keptPaths = (page: Page): Promise<string[]> =>
  page.evaluate(async () => {
    const cache = await caches.open("gaugebeam-kept-pages");
    return (await cache.keys()).map(({ url }) => new URL(url).pathname);
  });

const keptText = (page: Page, path: string): Promise<string> =>
  page.evaluate(
    async (asked) => (await (await caches.match(asked, { ignoreVary: true }))?.text()) ?? "",
    path,
  );

async function startPour(page: Page): Promise<void> {
  await openCopy(page, "Bistro table");
  await stage(page, "Pour");
  await page.getByRole("button", { name: /^Start/ }).click();
  await page.waitForURL("**/pours/**");
}

async function signedIn(context: BrowserContext, who = OWNER): Promise<Page> {
  const page = await context.newPage();
  await signInByForm(page, who);
  return page;
}

test("with the server down Pour and Bench open and go on; what was done arrives once; signing out wipes the device", async ({
  browser,
}) => {
  const server = await OwnServer.make("gaugebeam_offline", "demo");
  await server.start();
  const context = await browser.newContext({ baseURL: server.url, serviceWorkers: "allow" });
  try {
    const page = await signedIn(context);
    await startPour(page);
    const path = new URL(page.url()).pathname;
    await page.getByLabel("A, resin").fill("201");
    await page.getByLabel("A, resin").press("Enter");
    await expect(page.getByText(/^saved/)).toBeVisible();
    await expect.poll(() => keptPaths(page)).toContain(path);
    // The bench as it is with this pour.
    await expect.poll(() => keptText(page, "/bench")).toContain(path.split("/").at(-1));

    await server.kill();
    await page.locator("h1").click();
    await page.keyboard.press("PageDown");
    await expect(act(page)).toHaveText(/^Mix/);
    await expect(page.getByText(/kept here, not on the server yet/)).toBeVisible();
    // Closed and opened anew, with nobody there to ask.
    await page.close();
    const again = await context.newPage();
    await again.goto(path);
    await expect(act(again)).toHaveText(/^Mix/);
    await expect(again.getByText(/kept here, not on the server yet/)).toBeVisible();
    await again.getByRole("button", { name: "Note" }).click();
    await again.getByLabel("What happened").fill("Lights out");
    await again.getByRole("button", { name: "Keep the note" }).click();
    await again.goto("/bench");
    const next = again.getByRole("link", { name: /Trial/ }).first();
    await expect(next).toBeVisible();
    await expect(again.getByText(/^The server does not answer\. This page is as of/)).toBeVisible();
    // What is not kept says so, and what is.
    await again.goto("/recipes");
    await expect(again.getByRole("heading", { level: 1 })).toHaveText(/not kept here/);
    await again.getByRole("link", { name: /^Pour: Trial/ }).click();
    await expect(act(again)).toHaveText(/^Mix/);

    await server.start();
    await expect(again.getByText(/^saved/)).toBeVisible();
    await again.reload();
    await expect(act(again)).toHaveText(/^Mix/);
    await again
      .getByRole("link", { name: /the log|Log/ })
      .first()
      .isVisible();

    // A clean way out: nothing of the shop stays on the device.
    await again.goto("/bench");
    await again.getByRole("button", { name: "Ines" }).click();
    await again.getByRole("menuitem", { name: "Sign out" }).click();
    await again.waitForURL("**/sign-in");
    expect(await keptPaths(again)).toEqual([]);
    expect(await again.evaluate(() => Object.keys(localStorage).join())).not.toMatch(/gaugebeam\.draft/);
    await server.kill();
    await again.goto("/bench");
    await expect(again.getByRole("heading", { level: 1 })).toHaveText(/not kept here/);
  } finally {
    await server.kill();
    await context.close();
  }
});

test("a pour is begun with the server down, goes on over a reload, stands on Bench, and is on the server when that is back", async ({
  browser,
}) => {
  const server = await OwnServer.make("gaugebeam_begun", "demo");
  await server.start();
  const context = await browser.newContext({ baseURL: server.url, serviceWorkers: "allow" });
  try {
    const page = await signedIn(context);
    // The bench keeps the program on this device.
    await expect.poll(() => keptPaths(page)).toContain("/bench");
    await openCopy(page, "Bistro table");
    await stage(page, "Pour");
    const start = page.getByRole("button", { name: /^Start/ });
    await expect(start).toBeEnabled();
    // All of the view has come: half a view, as a server that is killed while it sends leaves it, is another journey's.
    await page.waitForLoadState("networkidle");
    await server.kill();
    await start.click();
    await expect(
      page.getByText(/^The server does not answer\. The pour can begin on this device/),
    ).toBeVisible();
    await page.getByRole("button", { name: "Begin it on this device" }).click();
    await page.waitForURL("**/pours/here#*");
    const pourId = new URL(page.url()).hash.slice(1);
    await page.getByLabel("A, resin").fill("201");
    await page.getByLabel("A, resin").press("Enter");
    await page.keyboard.press("PageDown");
    await expect(act(page)).toHaveText(/^Mix/);
    await page.reload();
    await expect(act(page)).toHaveText(/^Mix/);
    await expect(page.getByText(/kept here, not on the server yet/)).toBeVisible();
    // On the bench, from where it is found again; on the server nothing is known of it.
    await page.goto("/bench");
    await expect(page.locator(`a[href="/pours/here#${pourId}"]`).first()).toBeVisible();

    await server.start();
    // Sent from the bench, though the pour itself is not open.
    await page.reload();
    await expect(page.locator(`a[href="/pours/${pourId}"]`).first()).toBeVisible();
    const other = await context.newPage();
    await other.goto(`/pours/${pourId}`);
    await expect(act(other)).toHaveText(/^Mix/);
    await expect(other.getByText(/^saved/)).toBeVisible();
    await other.goto(`/pours/here#${pourId}`);
    await other.waitForURL(`**/pours/${pourId}`);
  } finally {
    await server.kill();
    await context.close();
  }
});
