import { expect, test } from "@playwright/test";
import { OwnServer } from "../fixtures/own-server";

test("an empty shop: the first person becomes its owner, adds a hand, and the hand cannot do what owners can", async ({
  page,
}) => {
  const server = await OwnServer.make("gaugebeam_first_run");
  await server.start();
  try {
    await page.goto(`${server.url}/jobs`);
    await page.waitForURL("**/first-run");
    await page.getByRole("button", { name: "Open the shop" }).click();
    await expect(page.getByText("Type the name of the shop.")).toBeVisible();
    await page.getByLabel("Name of the shop").fill("Quarry Lane");
    await page.getByLabel("Your name").fill("Mara");
    await page.getByLabel("E-mail").fill("Mara@Quarry.example");
    await page.getByLabel(/^Password/).fill("short");
    await page.getByRole("button", { name: "Open the shop" }).click();
    await expect(page.getByText("At least 10 letters or figures.")).toBeVisible();
    await page.getByLabel(/^Password/).fill("long enough now");
    await page.getByRole("button", { name: "Open the shop" }).click();
    await page.waitForURL("**/jobs");
    await expect(page.getByText("No job yet.")).toBeVisible();

    await page.goto(`${server.url}/shop`);
    await page.getByLabel("Name", { exact: true }).fill("Pell");
    await page.getByLabel("E-mail").fill("pell@quarry.example");
    await page.getByLabel("First password").fill("another long one");
    await page.getByRole("button", { name: "Add", exact: true }).click();
    await expect(page.getByRole("cell", { name: "Pell", exact: true })).toBeVisible();

    // The door for a first owner is shut from now on.
    await page.goto(`${server.url}/first-run`);
    await page.waitForURL("**/bench");
    await page.getByRole("button", { name: "Mara" }).click();
    await page.getByRole("menuitem", { name: "Sign out" }).click();
    await page.waitForURL("**/sign-in");
    await page.getByLabel("E-mail").fill("pell@quarry.example");
    await page.getByLabel("Password").fill("another long one");
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.waitForURL("**/bench");
    await page.goto(`${server.url}/shop`);
    await expect(page.getByRole("cell", { name: "Mara", exact: true })).toBeVisible();
    await expect(page.getByRole("button", { name: "Add", exact: true })).toHaveCount(0);
    await expect(page.getByRole("button", { name: "remove" })).toHaveCount(0);
  } finally {
    await server.kill();
  }
});

test("killing the server at any moment loses no acknowledged entry, and none that was made meanwhile", async ({
  page,
}) => {
  const server = await OwnServer.make("gaugebeam_killed");
  await server.start();
  try {
    await page.goto(`${server.url}/first-run`);
    await page.getByLabel("Name of the shop").fill("Dark Bench");
    await page.getByLabel("Your name").fill("Ode");
    await page.getByLabel("E-mail").fill("ode@dark.example");
    await page.getByLabel(/^Password/).fill("long enough now");
    await page.getByRole("button", { name: "Open the shop" }).click();
    await page.waitForURL("**/jobs");
    await page.goto(`${server.url}/cards/new`);
    await page.getByLabel("Resin", { exact: true }).fill("Test resin");
    await page.getByRole("button", { name: "Save the card" }).click();
    await page.waitForURL("**/cards");
    await page.goto(`${server.url}/jobs`);
    await page.getByRole("button", { name: "Make the first job" }).click();
    await page.getByLabel("Name of the job").fill("Power cut");
    await page.getByRole("button", { name: "Make the job" }).click();
    await page.waitForURL("**/measure");
    await page.getByRole("button", { name: "Rectangle" }).click();
    await page.getByRole("link", { name: "Build" }).click();
    await page.getByRole("button", { name: "colour", exact: true }).click();
    await expect(page.getByRole("status").filter({ hasText: /^saved$/ })).toBeVisible();
    await page.getByRole("link", { name: "Pour" }).click();
    await page.getByRole("button", { name: "Start the pour" }).click();
    await page.waitForURL("**/pours/**");
    const pour = page.url();
    const onServer = page.getByRole("status").filter({ hasText: /^saved/ });
    const done = page.getByRole("button", { name: /^Done/ });
    const stepText = page.getByText(/^Step \d+ of \d+$/);

    // Ticks and weighings, with kills between and in the middle of them.
    await page.getByLabel("A, resin").fill("512");
    await page.getByLabel("A, resin").press("Enter");
    await expect(onServer).toBeVisible();
    await server.kill();
    await done.click();
    await expect(page.getByRole("heading", { name: /^Mix/ })).toBeVisible();
    await done.click();
    // What lasts asks once when it has hardly begun.
    const sure = page.getByRole("button", { name: /^Done already/ });
    await expect(async () => {
      if (await sure.isVisible()) await sure.click();
      await expect(page.getByRole("status").filter({ hasText: "2 kept here" })).toBeVisible({
        timeout: 1000,
      });
    }).toPass();
    await server.start();
    await expect(onServer).toBeVisible();
    for (let round = 0; round < 2; round += 1) {
      const clicked = done.click();
      const killed = server.kill();
      await Promise.all([clicked, killed]);
      await server.start();
      await expect(onServer).toBeVisible();
      if ((await stepText.count()) === 0) break;
    }
    const here = (await stepText.count()) > 0 ? await stepText.innerText() : "finished";
    // Another browser that never saw this one: what the server has is all there is.
    await page.evaluate(() => indexedDB.deleteDatabase("gaugebeam-pours"));
    await page.goto(pour);
    if (here === "finished") await expect(page.getByText("What was left?")).toBeVisible();
    else await expect(stepText).toHaveText(here);
    for (let back = 0; back < 12 && (await page.getByLabel("A, resin").count()) === 0; back += 1) {
      await page.getByRole("button", { name: "Step back" }).click();
      await expect(onServer).toBeVisible();
    }
    await expect(page.getByLabel("A, resin")).toHaveValue("512");
  } finally {
    await server.kill();
  }
});
