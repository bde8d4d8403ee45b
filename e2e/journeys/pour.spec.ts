import { expect, test } from "@playwright/test";
import { field, makeJob, signIn, stage } from "../fixtures/shop";

test("a pour: started from the plan, run by the space bar, weighed, noted, finished; the log sets plan and actual side by side", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Poured");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await field(page, "Length").fill("30 in");
  await field(page, "Depth").fill("20 in");
  await stage(page, "Build");
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await page.getByRole("button", { name: "fill by a look" }).click();
  await page.getByRole("menuitem", { name: /^Palm blend/ }).click();
  // Straight on from a change that is not saved yet: the pour starts from it all the same.
  await stage(page, "Pour");
  await expect(page.getByText("Nitrile gloves")).toBeVisible();
  await page.getByRole("button", { name: "Start the pour" }).click();
  await page.waitForURL("**/pours/**");

  await expect(page.getByRole("heading", { name: /^Weigh/ })).toBeVisible();
  const planned = Number(
    (await page.getByText("A, resin").locator("xpath=../..").locator(".figure").first().innerText()).replace(
      /[^\d.]/g,
      "",
    ),
  );
  await page.getByLabel("A, resin").fill(String(planned + 40));
  await page.getByLabel("A, resin").press("Enter");
  await expect(page.getByText(/^Bring B to/)).toBeVisible();
  await page.getByLabel("B, hardener").fill("not much");
  await page.getByLabel("B, hardener").press("Enter");
  await expect(page.getByText(/That is not a weight/)).toBeVisible();
  await expect(page.getByLabel("B, hardener")).toHaveValue("not much");
  // Out of ratio, Done asks: by mouse, and by the foot switch.
  await page.getByLabel("B, hardener").fill("50");
  await page.getByLabel("B, hardener").press("Enter");
  const asked = page.getByRole("dialog", { name: "Out of ratio" });
  await page.getByRole("button", { name: /^Done/ }).click();
  await expect(asked.getByText(/B is \d+ % too little for its A/)).toBeVisible();
  await asked.getByRole("button", { name: "Back to the scale" }).click();
  await page.locator("h1").click();
  await page.keyboard.press("PageDown");
  await expect(asked).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByLabel("B, hardener").fill(String(Math.round((planned + 40) * (0.98 / 1.15))));
  await page.getByLabel("B, hardener").press("Enter");
  await expect(page.getByText(/^In ratio/)).toBeVisible();

  await page.locator("h1").click();
  await page.keyboard.press("Space");
  await expect(page.getByRole("heading", { name: /^Mix/ })).toBeVisible();
  // What lasts is not ticked by a foot that was too quick: it asks once, in its place.
  await page.keyboard.press("Space");
  await expect(page.getByRole("button", { name: /^Done already/ })).toBeVisible();
  await page.keyboard.press("Space");
  await page.keyboard.press("PageDown");
  await expect(page.getByRole("heading", { name: "Lay the colours" })).toBeVisible();
  await page.keyboard.press("Backspace");
  await expect(page.getByRole("heading", { name: /^Split/ })).toBeVisible();
  await page.keyboard.press("Enter");

  await page.getByRole("button", { name: "Note" }).click();
  await page.getByLabel("What happened").fill("Room colder than planned.");
  await page.getByRole("button", { name: "Keep the note" }).click();
  for (const title of ["Lay the colours", "Drizzle ribbons", "Palm blend", "Alcohol, small drops"]) {
    await expect(page.getByRole("heading", { name: title })).toBeVisible();
    if (title.startsWith("Alcohol"))
      await expect(page.getByText(/Alcohol burns/).filter({ visible: true })).toBeVisible();
    await page.getByRole("button", { name: /^Done/ }).click();
  }
  // The flame stays shut until the alcohol has flashed off.
  await expect(page.getByText("Flame is shut").filter({ visible: true })).toBeVisible();
  for (let step = 0; step < 4; step += 1) await page.getByRole("button", { name: /^Done/ }).click();

  await expect(page.getByRole("heading", { name: "What was left?" })).toBeVisible();
  await page.getByLabel(/how much was left or missing/).fill("8 oz");
  await page.getByRole("button", { name: "was left" }).click();
  await expect(page.getByText(/8 fl oz left/)).toBeVisible();
  await page.getByRole("button", { name: "Finish the pour" }).click();
  await page.getByRole("link", { name: "See the log" }).click();
  await page.waitForURL("**/log**");
  await expect(page.getByText(/more was mixed than planned/)).toBeVisible();
  await expect(page.getByText(/8 fl oz was left/)).toBeVisible();
  await expect(page.getByText("rate planned")).toBeVisible();
  await expect(page.getByText("Room colder than planned.")).toBeVisible();
  await page.goto("/jobs");
  await expect(page.getByRole("row", { name: /Poured.*curing/ })).toBeVisible();
});

test("the demo shop has jobs at different stages, finished pours with deviations, and one that is wet now", async ({
  page,
}) => {
  await signIn(page);
  await expect(page.getByRole("complementary", { name: "Wet now" })).toContainText("Bistro table");
  for (const status of ["planning", "approved", "pouring", "curing"])
    await expect(page.getByRole("row", { name: new RegExp(status) }).first()).toBeVisible();
  await page.getByRole("link", { name: "Reception desk" }).click();
  await stage(page, "Log");
  await expect(page.getByText(/It ran short by about/)).toBeVisible();
  await page.goto("/jobs");
  await page.getByRole("radio", { name: "done" }).click();
  await page.getByRole("link", { name: "Walnut tray with a channel" }).click();
  await stage(page, "Log");
  await expect(page.getByText(/was left over.*generous/)).toBeVisible();
});

test("a pour that goes wrong is called off: kept in the log as such, the job can be poured anew", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Spilt");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await stage(page, "Build");
  await page.getByRole("button", { name: "clear", exact: true }).click();
  await stage(page, "Pour");
  await page.getByRole("button", { name: "Start the pour" }).click();
  await page.waitForURL("**/pours/**");
  await page.getByRole("button", { name: "call it off" }).click();
  await page.getByLabel("Why").fill("The pot fell.");
  await page.getByRole("dialog").getByRole("button", { name: "Call it off" }).click();
  await expect(page.getByRole("heading", { name: "Called off" })).toBeVisible();
  await expect(page.getByText(/^saved/)).toBeVisible();
  await page.reload();
  await expect(page.getByText("The pot fell.")).toBeVisible();
  await page.getByRole("link", { name: "See the log" }).click();
  await expect(page.getByText(/called off \d\d:\d\d: The pot fell\./)).toBeVisible();
  // A job is deleted from the list, and comes back from its foot.
  await page.goto("/jobs");
  const row = page.getByRole("row", { name: /Spilt/ });
  await expect(row).toContainText("planning");
  await row.getByRole("button", { name: "more" }).click();
  await page.getByRole("menuitem", { name: "Delete" }).click();
  await expect(row).toHaveCount(0);
  const foot = page.getByRole("region", { name: "Deleted lately" });
  await foot
    .getByRole("listitem")
    .filter({ hasText: "Spilt" })
    .getByRole("button", { name: "bring it back" })
    .click();
  await expect(row).toBeVisible();
});

test("an address at which nothing is keeps the menu, and breaks no rule of the page", async ({ page }) => {
  await signIn(page);
  const broken: string[] = [];
  page.on("console", (message) => {
    if (message.type() === "error" && !message.text().includes("404")) broken.push(message.text());
  });
  await page.goto("/nothing-here");
  await expect(page.getByRole("heading", { name: "Nothing is here." })).toBeVisible();
  await page.getByRole("navigation", { name: "Shop" }).getByRole("link", { name: "Jobs" }).click();
  await page.waitForURL("**/jobs");
  expect(broken).toEqual([]);
});
