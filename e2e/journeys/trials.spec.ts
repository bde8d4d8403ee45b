import { expect, test, type Page } from "@playwright/test";
import sharp from "sharp";
import { signIn } from "../fixtures/shop";

/** A board from straight above: white, its right 40 % black, a grey card beside it. */
const board = (): Promise<Buffer> =>
  sharp({ create: { width: 900, height: 600, channels: 3, background: "#8a7a68" } })
    .composite([
      {
        input: Buffer.from(
          '<svg width="900" height="600"><rect x="100" y="100" width="500" height="400" fill="#e9e6df"/><rect x="400" y="100" width="200" height="400" fill="#1c1d1f"/><rect x="700" y="250" width="100" height="100" fill="#767676"/></svg>',
        ),
      },
    ])
    .png()
    .toBuffer();

/** Its own in each run: a trial that was begun stays. */
const NAME = `Warm bottles ${crypto.randomUUID().slice(0, 8)}`;

const judge = (page: Page, pair: number, which: string) =>
  page.getByRole("listitem", { name: `Pair ${pair}`, exact: true }).getByRole("button", { name: which });

/** What this browser has told and the server has not said it has. */
const waiting = () => Object.keys(localStorage).filter((key) => key.includes(".trial."));

test("a trial: drawn, judged without knowing which is which, measured by photo and by hand, told; put away and brought back", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/learn");
  await page.getByRole("link", { name: /^Trials/ }).click();
  await page.waitForURL("**/learn/trials");
  // What the shop has found out so far.
  await page.getByRole("link", { name: /^Alcohol later/ }).click();
  await expect(page.getByRole("region", { name: "Alcohol later" })).toContainText("2.75 % less black on top");

  await page.getByRole("link", { name: "Try two ways" }).click();
  await page.getByRole("button", { name: "Draw what goes where" }).click();
  await expect(page.getByText("Type a name for the trial.")).toBeVisible();
  await page.getByLabel("Name of the trial").fill(NAME);
  await page.getByLabel("What you do now").fill("bottles at room temperature");
  await page.getByLabel("The one thing that is changed").fill("bottles in warm water first");
  await page.getByLabel("Pairs of boards").fill("3");
  await expect(page.getByText("3 pairs cannot tell two ways apart by eye")).toBeVisible();
  await page.getByLabel("Pairs of boards").fill("5");
  await expect(page.getByText("Of 5 pairs, all must go one way")).toBeVisible();
  // Closed by mistake: what was typed is there again.
  await page.reload();
  await expect(page.getByLabel("What you do now")).toHaveValue("bottles at room temperature");
  await page.getByRole("checkbox", { name: "measure something on each board as well" }).click();
  await page.getByRole("button", { name: "Draw what goes where" }).click();
  await expect(page.getByText("Type what is measured.")).toBeVisible();
  await page.getByLabel("What is measured, such as black on top").fill("black on top");
  await page.keyboard.press("Enter");

  await expect(page.getByText("0 of 5 pairs judged").first()).toBeVisible();
  const trial = page.getByRole("region", { name: NAME });
  await expect(trial.getByText("bottles in warm water first", { exact: true })).toHaveCount(0);
  // Who pours is told what goes where: each way on one of each pair, one of them first.
  await trial.getByRole("button", { name: "Show what goes where, to pour" }).click();
  const boards = trial.getByRole("button", { name: /^Board \d (left|right) is better/ });
  const triedOn: ("left" | "right")[] = [];
  for (let pair = 0; pair < 5; pair += 1) {
    const [left, right] = [
      await boards.nth(2 * pair).innerText(),
      await boards.nth(2 * pair + 1).innerText(),
    ];
    expect(left.includes("warm water")).not.toBe(right.includes("warm water"));
    expect(left.includes("poured first")).not.toBe(right.includes("poured first"));
    triedOn.push(left.includes("warm water") ? "left" : "right");
  }
  await trial.getByRole("button", { name: "Hide what goes where" }).click();

  // The first by its photo, and by hand; a photo of nothing is told.
  const [first] = triedOn as ["left" | "right"];
  await trial.getByRole("button", { name: `Board 1 ${first}: read a photo` }).click();
  const dialog = page.getByRole("dialog");
  const file = dialog.getByLabel(`Photo of Board 1 ${first}`);
  await file.setInputFiles({ name: "notes.txt", mimeType: "text/plain", buffer: Buffer.from("no picture") });
  await expect(dialog.getByText("This file is no picture that the browser can read.")).toBeVisible();
  await file.setInputFiles({ name: "board.png", mimeType: "image/png", buffer: await board() });
  const box = (await dialog.getByRole("img", { name: "The photo" }).boundingBox())!;
  const scale = box.width / 900;
  for (const [name, x, y] of [
    ["back left corner", 100, 100],
    ["back right corner", 600, 100],
    ["front right corner", 600, 500],
    ["front left corner", 100, 500],
    ["middle of the grey card", 750, 300],
    ["colour that is counted", 500, 300],
    ["main colour that is not counted", 250, 300],
  ] as const)
    await dialog
      .getByRole("button", { name: `Touch the ${name}` })
      .click({ position: { x: x * scale, y: y * scale } });
  await dialog.getByRole("button", { name: "Read it" }).click();
  await expect(dialog.getByText("of the board, within two points")).toBeVisible({ timeout: 30_000 });
  await dialog.getByRole("button", { name: "Take it" }).click();
  const fieldsOf = (pair: number) =>
    page.getByRole("listitem", { name: `Pair ${pair}`, exact: true }).getByLabel("black on top, %");
  const read = Number(
    await fieldsOf(1)
      .nth(first === "left" ? 0 : 1)
      .inputValue(),
  );
  expect(Math.abs(read - 40)).toBeLessThan(2);

  // Judged by mouse and by keyboard; each pair the tried one, and its black less.
  for (let pair = 1; pair <= 5; pair += 1) {
    const side = triedOn[pair - 1]!;
    const button = judge(page, pair, `Board ${pair} ${side} is better`);
    if (pair % 2 === 0) {
      await button.focus();
      await page.keyboard.press("Enter");
    } else await button.click();
    await expect(button).toHaveAttribute("aria-pressed", "true");
    for (const [n, of] of (["left", "right"] as const).entries()) {
      if (pair === 1 && of === first) continue;
      await fieldsOf(pair)
        .nth(n)
        .fill(of === side ? String(40 - pair) : String(44 + pair));
      await fieldsOf(pair).nth(n).press("Enter");
    }
  }
  await expect(trial.getByText("by eye, what was tried is")).toBeVisible();
  await expect(trial.getByText("5 pairs for what was tried, 0 for what is done now, 0 alike.")).toBeVisible();
  await expect(trial.getByText(/% more black|% less black on top than what is done now/)).toContainText(
    "less black on top",
  );
  await expect(trial.getByRole("img", { name: "Differences of 5 pairs, black on top" })).toBeVisible();
  await page.reload();
  await expect(trial.getByText("5 pairs for what was tried")).toBeVisible();
  // A word taken back, with no network: it counts at once, and is on the server when that is back.
  await page.route("**/api/act/trial.tell", (route) => route.abort());
  await judge(page, 3, "alike").click();
  await expect(trial.getByText(/^Not told apart by so few: 4 pairs for what was tried/)).toBeVisible();
  await expect(trial.getByRole("alert")).toContainText("The server does not answer");
  await page.reload();
  await expect(trial.getByText(/^Not told apart by so few: 4 pairs for what was tried/)).toBeVisible();
  await page.unroute("**/api/act/trial.tell");
  await expect.poll(() => page.evaluate(waiting)).toEqual([]);
  await page.reload();
  await expect(trial.getByText(/^Not told apart by so few: 4 pairs for what was tried/)).toBeVisible();

  // What the server has not yet counts in the list too, and goes out from there.
  await page.route("**/api/act/trial.tell", (route) => route.abort());
  await trial.getByRole("button", { name: "Put it away" }).click();
  await expect(trial.getByRole("button", { name: "Bring it back" })).toBeVisible();
  await page.goto("/learn/trials");
  await expect(page.getByRole("link", { name: NAME })).toHaveCount(0);
  await page.unroute("**/api/act/trial.tell");
  await expect.poll(() => page.evaluate(waiting)).toEqual([]);
  await page.getByRole("checkbox", { name: "those put away as well" }).click();
  await page.getByRole("link", { name: NAME }).click();
  await trial.getByRole("button", { name: "Bring it back" }).click();
  await expect(trial.getByRole("button", { name: "Put it away" })).toBeVisible();
  await trial.getByRole("button", { name: "Put it away" }).click();
  await expect(trial.getByRole("button", { name: "Bring it back" })).toBeVisible();
});
