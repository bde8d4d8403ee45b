import { expect, test, type Locator, type Page } from "@playwright/test";
import { PRINTS_MS, serveLines } from "../../instruments/serve";
import { SimulatedScale, USUAL_HABITS } from "../../instruments/simulated-scale";
import { doneUntil, start } from "../fixtures/pour-acts";
import { openCopy, signIn, stage } from "../fixtures/shop";
import { thisShop } from "../fixtures/shops";

const act = (page: Page) => page.getByRole("heading", { level: 1 });

/** The pour ends here: what the demo has wet is what other journeys look at. */
async function callOff(page: Page): Promise<void> {
  await page.getByRole("button", { name: "call it off" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Call it off" }).click();
  await expect(page.getByRole("heading", { name: "Called off" })).toBeVisible();
}

/** How many different colours a drawn picture has: one that is blank has one. */
const coloursIn = (picture: Locator): Promise<number> =>
  picture.evaluate((element) => {
    const canvas = element as HTMLCanvasElement;
    const { data } = canvas.getContext("2d")!.getImageData(0, 0, canvas.width, canvas.height);
    const seen = new Set<number>();
    for (let at = 0; at < data.length; at += 4 * 97)
      seen.add((data[at]! << 16) | (data[at + 1]! << 8) | data[at + 2]!);
    return seen.size;
  });

test("each act shows what to do: the pot fills, mixing counts by its method, cups, the piece before and after a pass; what is left out says why", async ({
  page,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await start(page);
  const pot = page.getByRole("img", { name: "The pot as it fills" });
  await expect(pot).toContainText("A, resin");
  await expect(pot).not.toContainText("A, resin, in");
  const a = page.getByLabel("A, resin");
  await a.fill("100");
  await a.press("Enter");
  await expect(pot).toContainText("A, resin, in");
  await a.fill("201");
  await a.press("Enter");

  await page.locator("h1").click();
  await doneUntil(page, /^Mix/);
  const clock = page.getByRole("timer");
  await expect(clock).toContainText("1 of 3: three times, top to bottom");
  // Counts down: of three minutes less than two are for the first part.
  await expect(clock).toContainText(/1:[0-3]\d/);

  await doneUntil(page, /^Split/);
  await expect(page.getByRole("img", { name: /^Copper, / })).toBeVisible();
  await doneUntil(page, /^Lay/);
  const after = page.getByRole("img", { name: "Bistro top, Lay the colours" });
  await expect.poll(() => coloursIn(after)).toBeGreaterThan(40);
  await doneUntil(page, /^Veins/);
  await expect
    .poll(() => coloursIn(page.getByRole("img", { name: "Bistro top before" })))
    .toBeGreaterThan(40);
  // All was ticked at once: the window says when it opens.
  await expect(page.getByRole("status").filter({ hasText: /^Opens in \d/ })).toBeVisible();
  // What was planned stays where it was: a reload shows the same act.
  await page.reload();
  await expect(act(page)).toHaveText(/^Veins/);

  await page.getByRole("button", { name: "Leave out" }).click();
  const asked = page.getByRole("dialog", { name: /^Leave out: Veins/ });
  await expect(asked.getByRole("button", { name: /^All of/ })).toBeHidden();
  await asked.getByLabel("Why").fill("No brass left");
  await asked.getByRole("button", { name: "This act only" }).click();
  await expect(act(page)).toHaveText(/^Wet the faces/);
  await page.getByRole("button", { name: "Step back" }).click();
  await expect(act(page)).toHaveText(/^Veins/);
  await callOff(page);
  await page.getByRole("link", { name: "See the log" }).click();
  await expect(page.getByText("Left out: No brass left")).toBeVisible();
});

test("veins are laid one at a time, as the tape tells them", async ({ page }) => {
  await signIn(page);
  await openCopy(page, "Serving counter");
  await stage(page, "Rehearse");
  await page.getByRole("link", { name: "Vein map" }).click();
  await page.getByRole("button", { name: "Lay out the pieces and draw veins" }).click();
  await expect(page.getByRole("region", { name: /^Tape list of/ })).toBeVisible();
  await start(page);
  await doneUntil(page, /^Veins/);
  const told = page.getByText(/^Vein \d+, /);
  const first = await told.textContent();
  await expect(told).toContainText(/1 of \d+/);
  await expect(page.getByRole("status").filter({ hasText: /enters|begins on the piece/ })).toBeVisible();
  await page.getByRole("button", { name: "Next vein" }).click();
  await expect(told).not.toHaveText(first!);
  await page.getByRole("button", { name: /^next piece, 1 of/ }).click();
  await expect(page.getByRole("button", { name: /^next piece, 2 of/ })).toBeVisible();
  await callOff(page);
});

test("two screens: what one does is on the other, by whom; what is done without a network arrives once, in order", async ({
  page,
  browser,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await start(page);
  const other = await browser.newContext();
  const theirs = await other.newPage();
  await signIn(theirs, { email: "tomas@lantern-yard.example", password: "pour-when-ready" });
  await theirs.goto(page.url());
  await expect(act(theirs)).toHaveText((await act(page).textContent())!);

  const a = theirs.getByLabel("A, resin");
  await a.fill("201");
  await a.press("Enter");
  await expect(page.getByLabel("A, resin")).toHaveValue("201");
  await expect(page.getByText("Tomas Reyle: 201 g weighed")).toBeVisible();
  await page.locator("h1").click();
  await page.keyboard.press("PageDown");
  await expect(act(theirs)).toHaveText(/^Mix/);

  // One screen loses its network, and both go on.
  await other.setOffline(true);
  await doneUntil(theirs, /^Weigh 7/);
  await expect(theirs.getByText(/kept here, not on the server yet/)).toBeVisible();
  await expect(act(page)).toHaveText(/^Mix/);
  await page.getByRole("button", { name: "Note" }).click();
  await page.getByLabel("What happened").fill("Warm in here");
  await page.getByRole("button", { name: "Keep the note" }).click();
  await other.setOffline(false);
  await expect(act(page)).toHaveText(/^Weigh 7/);
  await expect(theirs.getByText(/^saved/)).toBeVisible();
  await theirs.reload();
  await expect(act(theirs)).toHaveText((await act(page).textContent())!);
  await other.close();
  await callOff(page);
});

test("the scale is read: a vessel tared, A poured over, B brought to its ratio, each taken by itself; leaning takes nothing", async ({
  page,
}) => {
  const scale = new SimulatedScale({ ...USUAL_HABITS, noiseG: 0 });
  const time = setInterval(() => scale.pass(PRINTS_MS / 1000), PRINTS_MS);
  const served = await serveLines(thisShop.scalePort, () => scale.line());
  try {
    await signIn(page);
    await openCopy(page, "Bistro table");
    await start(page);
    const shown = page.getByRole("group", { name: "The scale" });
    scale.put(84);
    await expect(shown).toContainText("Put the vessel on and tare.");
    scale.tare();
    await expect(shown).toContainText(/20\d g to go/);
    scale.pour(60, 120);
    await expect(shown).toContainText(/8\d(\.\d)? g to go/);
    // Somebody leans on the bench: nothing is taken.
    scale.lean(100);
    await page.waitForTimeout(2000);
    await expect(page.getByLabel("A, resin")).toHaveValue("");
    scale.lean(0);
    scale.pour(60, 100);
    await expect(page.getByLabel("A, resin")).toHaveValue("220");
    await expect(page.getByText(/^Bring B to/)).toBeVisible();
    await expect(shown).toContainText("B, hardener");
    // 171 g belong to 201 g: to 220 g so much more of it.
    const b = (220 * 171) / 201;
    scale.pour(60, b);
    await expect
      .poll(async () => Number(await page.getByLabel("B, hardener").inputValue()))
      .toBeGreaterThan(b - 2);
    await expect(page.getByText(/^In ratio/)).toBeVisible();

    // The instrument is gone: said, and typed by hand.
    await served.close();
    await expect(page.getByText("The scale does not answer")).toBeVisible();
    await page.getByRole("button", { name: "weigh by hand" }).click();
    await expect(page.getByText("The scale does not answer")).toBeHidden();
    await page.getByLabel(/^Flat white/).fill("11");
    await page.getByLabel(/^Flat white/).press("Enter");
    await expect(page.getByLabel(/^Flat white/)).toHaveValue("11");
    await callOff(page);
  } finally {
    clearInterval(time);
    await served.close();
  }
});

test("this screen: wet gloves make all of it large, a foot switch is learnt, a touch anywhere says done", async ({
  page,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await start(page);
  await page.getByRole("button", { name: "this screen" }).click();
  const dialog = page.getByRole("dialog", { name: "This screen" });
  await dialog.getByRole("radio", { name: "off" }).click();
  await dialog.getByRole("button", { name: "Learn a key for done" }).click();
  await page.keyboard.press("b");
  await expect(dialog.getByText("or b", { exact: false })).toBeVisible();
  await dialog.getByRole("checkbox", { name: /gloves/ }).click();
  await dialog.getByRole("button", { name: "Back to the pour" }).click();
  // 20 mm at 96 px to the inch.
  const small = await page.locator("button:visible, input:visible").evaluateAll((all) =>
    all.flatMap((one) => {
      const { width, height } = one.getBoundingClientRect();
      return Math.min(width, height) < 75.5 ? [one.textContent ?? one.tagName] : [];
    }),
  );
  expect(small).toEqual([]);
  await page.locator("h1").click();
  await expect(act(page)).toHaveText(/^Weigh/);
  await page.keyboard.press("b");
  await expect(act(page)).toHaveText(/^Mix/);
  // It stays so on this device.
  await page.reload();
  await page.getByRole("button", { name: "this screen" }).click();
  await expect(dialog.getByRole("checkbox", { name: /gloves/ })).toBeChecked();
  await dialog.getByRole("checkbox", { name: /gloves/ }).click();
  await dialog.getByRole("checkbox", { name: /touch anywhere/ }).click();
  await dialog.getByRole("button", { name: "Back to the pour" }).click();
  await expect(act(page)).toHaveText(/^Mix/);
  await page.waitForTimeout(2200);
  await page.locator("h1").click();
  await expect(act(page)).toHaveText(/^Spread/);
  await callOff(page);
});

test("all acts: one is done once more, one is taken first, one is somebody's; two pairs of hands have each their own", async ({
  page,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await start(page);
  await doneUntil(page, /^Spread/);
  const acts = page.getByRole("dialog", { name: "All acts" });
  const open = () => page.getByRole("button", { name: "all acts" }).click();
  await open();
  await acts.getByRole("combobox", { name: "Whose: Lay the colours" }).selectOption("Tomas Reyle");
  // While one spreads the base, the other weighs the colours.
  await acts
    .getByRole("listitem")
    .filter({ hasText: /^Weigh 7/ })
    .getByRole("button", { name: "this first" })
    .click();
  await expect(act(page)).toHaveText(/^Weigh 7/);
  const whose = page
    .getByRole("radiogroup", { name: "Whose acts" })
    .or(page.getByRole("group", { name: "Whose acts" }));
  await whose.getByText("at the piece").click();
  await expect(act(page)).toHaveText(/^Spread/);
  await expect(page.getByText(/^Mixing Weigh 7/)).toBeVisible();
  await whose.getByText("mixing").click();
  await expect(act(page)).toHaveText(/^Weigh 7/);
  await whose.getByText("all").click();

  await open();
  await acts
    .getByRole("listitem")
    .filter({ hasText: "Spread" })
    .getByRole("button", { name: "this first" })
    .click();
  await expect(act(page)).toHaveText(/^Spread/);
  await page.locator("h1").click();
  await page.keyboard.press("PageDown");
  await open();
  await acts
    .getByRole("listitem")
    .filter({ hasText: "Spread" })
    .getByRole("button", { name: "once more" })
    .click();
  await doneUntil(page, /^Spread, once more/);
  await page.keyboard.press("PageDown");
  await doneUntil(page, /^Lay the colours/);
  await expect(page.getByText(/^Step \d+ of \d+, for Tomas Reyle/)).toBeVisible();
  await callOff(page);
  await page.getByRole("link", { name: "See the log" }).click();
  await expect(page.getByRole("cell", { name: "Spread, once more" })).toBeVisible();
});

test("a photo taken without a network arrives when it is back; a note, and a photo, is of a place on the piece", async ({
  page,
  context,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await start(page);
  await doneUntil(page, /^Lay the colours/);
  await context.setOffline(true);
  const picture = await page.screenshot();
  await page
    .getByLabel("A photo of this act")
    .setInputFiles({ name: "ripple.png", mimeType: "image/png", buffer: picture });
  await expect(page.getByText(/kept here, not on the server yet/)).toBeVisible();
  await page
    .getByRole("button", { name: /^Write about a place on Bistro top/ })
    .click({ position: { x: 60, y: 60 } });
  await expect(page.getByText(/^Bistro top, .* from the left, .* from the front\.$/)).toBeVisible();
  await page.getByLabel("What happened").fill("A crater");
  await page.getByRole("button", { name: "Keep the note" }).click();
  // Another place, with its photo: one touch.
  await page
    .getByRole("button", { name: /^Write about a place on Bistro top/ })
    .click({ position: { x: 90, y: 40 } });
  await page.getByLabel("What happened").fill("Its rim");
  await page
    .getByLabel("A photo of this place")
    .setInputFiles({ name: "rim.png", mimeType: "image/png", buffer: picture });
  await expect(page.getByRole("dialog")).toHaveCount(0);
  // A reload in between, when the network is back but nothing is sent yet: it is kept on the device.
  await context.setOffline(false);
  await expect(page.getByText(/^saved/)).toBeVisible();
  await callOff(page);
  await page.getByRole("link", { name: "See the log" }).click();
  await expect(page.getByText(/A crater/)).toBeVisible();
  await expect(page.getByText(/, Bistro top, .* from the left/)).toHaveCount(2);
  await expect(page.getByText(/Its rim/)).toBeVisible();
  const photos = page.getByRole("img", { name: /^Photo, / });
  await expect(photos).toHaveCount(2);
  for (const photo of await photos.all())
    await expect
      .poll(() => photo.evaluate((image) => (image as HTMLImageElement).naturalWidth))
      .toBeGreaterThan(50);
});

test("two screens without a network weigh the same line differently: both are told, one is chosen, both end equal", async ({
  page,
  context,
  browser,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await start(page);
  const other = await browser.newContext({ serviceWorkers: "block" });
  const theirs = await other.newPage();
  await signIn(theirs, { email: "tomas@lantern-yard.example", password: "pour-when-ready" });
  await theirs.goto(page.url());
  await expect(act(theirs)).toHaveText(/^Weigh/);
  await Promise.all([context.setOffline(true), other.setOffline(true)]);
  for (const [screen, grams] of [
    [page, "201"],
    [theirs, "188"],
  ] as const) {
    await screen.getByLabel("A, resin").fill(grams);
    await screen.getByLabel("A, resin").press("Enter");
    await expect(screen.getByText(/kept here, not on the server yet/)).toBeVisible();
  }
  await Promise.all([context.setOffline(false), other.setOffline(false)]);
  for (const screen of [page, theirs]) {
    const told = screen.getByRole("alert").filter({ hasText: "Two screens differ" });
    await expect(told).toContainText("201 g");
    await expect(told).toContainText("188 g");
  }
  await theirs.getByRole("button", { name: /^201 g/ }).click();
  for (const screen of [page, theirs]) {
    await expect(screen.getByRole("alert").filter({ hasText: "Two screens differ" })).toHaveCount(0);
    await expect(screen.getByLabel("A, resin")).toHaveValue("201");
  }
  await other.close();
  await callOff(page);
});

test("a scale at the tablet itself is read: chosen once, its line as it was printed is in what is recorded", async ({
  page,
}) => {
  await page.addInitScript(() => {
    let give: ReadableStreamDefaultController<Uint8Array>;
    const port = {
      readable: null as ReadableStream<Uint8Array> | null,
      open: async () => {
        port.readable = new ReadableStream({ start: (controller) => void (give = controller) });
      },
      close: async () => {},
    };
    let chosen = false;
    Object.defineProperty(navigator, "serial", {
      value: {
        getPorts: async () => (chosen ? [port] : []),
        requestPort: async () => {
          chosen = true;
          return port;
        },
      },
    });
    Object.assign(window, {
      printed: (line: string) => give?.enqueue(new TextEncoder().encode(`${line}\r\n`)),
    });
  });
  await signIn(page);
  await openCopy(page, "Bistro table");
  await start(page);
  const prints = (line: string, times = 14) =>
    page.evaluate(
      async ([text, count]) => {
        for (let n = 0; n < count; n += 1) {
          (window as unknown as { printed: (line: string) => void }).printed(text);
          await new Promise((resolve) => setTimeout(resolve, 100));
        }
      },
      [line, times] as const,
    );
  await page.getByRole("button", { name: "another scale" }).click();
  await prints("ST +    0.0 g");
  await prints("US +  150.0 g", 3);
  await prints("ST +  201.0 g");
  await expect(page.getByLabel("A, resin")).toHaveValue("201");
  await expect(page.getByText(/^saved/)).toBeVisible();
  const pourId = new URL(page.url()).pathname.split("/").at(-1);
  const news = await page.request.get(`/api/pours/${pourId}/news?once`);
  expect(((await news.json()) as { events: { kind: string; raw?: string }[] }).events).toContainEqual(
    expect.objectContaining({ kind: "weighed", grams: 201, raw: "ST +  201.0 g" }),
  );
  await callOff(page);
});

test("A and B cannot be swapped unseen: a lot that stood on the other bottle, a volume that weighs like the other part", async ({
  page,
}) => {
  await signIn(page);
  await openCopy(page, "Bistro table");
  await start(page);
  const give = async (part: string, lot: string) => {
    await page.getByRole("button", { name: `Lot of ${part}` }).click();
    await page.getByLabel("As it stands on the bottle").fill(lot);
  };
  await give("A", "K-7731");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Lot of A" })).toHaveText("lot K-7731");
  await give("B", "k 7731");
  await expect(page.getByText(/stood on the bottle of A/)).toBeVisible();
  await page.getByLabel("As it stands on the bottle").fill("H-118");
  await page.getByRole("button", { name: "Keep the lot" }).click();

  // A volume that is typed is weighed by its density: 175 ml of A.
  const a = page.getByLabel("A, resin");
  await a.fill("175 ml");
  await a.press("Enter");
  await expect(a).toHaveValue(/^20[12]/);
  // What was weighed is 201 g; in 205 ml that is hardener.
  await a.fill("201");
  await a.press("Enter");
  await a.fill("205 ml");
  await a.press("Enter");
  await expect(page.getByText(/weighs like B, not like A/)).toBeVisible();
  await expect(a).toHaveValue("205 ml");
  await callOff(page);
  await page.getByRole("link", { name: "See the log" }).click();
  await expect(page.getByText("K-7731")).toBeVisible();
  await expect(page.getByText("H-118")).toBeVisible();
});
