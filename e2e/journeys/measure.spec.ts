import { readFileSync } from "node:fs";
import { expect, test, type Download, type Locator, type Page } from "@playwright/test";
import makerjs from "makerjs";
import sharp from "sharp";
import { importedPiece } from "@/core/drawing-files/imported-piece";
import { takeOutline, type ReadDrawing } from "@/core/drawing-files/drawing";
import { readDxf } from "@/core/drawing-files/read-dxf";
import { readSvg } from "@/core/drawing-files/read-svg";
import { measurePiece } from "@/core/geometry/measure";
import { field, makeJob, pdfText, saved, signIn } from "../fixtures/shop";
import { tabTo } from "../fixtures/keys";

const sizes = (page: Page) => page.getByRole("region", { name: "Sizes" });
const drawing = (page: Page) => page.getByRole("region", { name: "Drawing" });
const fromMenu = async (page: Page, menu: string, item: string) => {
  await page.getByRole("button", { name: menu, exact: true }).click();
  await page.getByRole("menuitem", { name: item, exact: true }).first().click();
};

/** "94 1/2" as a number. */
async function typedInches(input: Locator): Promise<number> {
  return (await input.inputValue()).split(" ").reduce((sum, part) => {
    const [over, under = "1"] = part.split("/");
    return sum + Number(over) / Number(under);
  }, 0);
}

/** What is typed for each kind, field by field, and what then stands on the page. */
const BY_KEYBOARD: { kind: string; typed: [RegExp, string][]; says: RegExp }[] = [
  {
    kind: "Straight run",
    typed: [
      [/^Length/, "8 ft"],
      [/^Depth/, "2 ft"],
    ],
    says: /16\.0ft²/,
  },
  { kind: "L run", typed: [[/^Long leg/, "10 ft"]], says: /ft²/ },
  { kind: "U run", typed: [[/^Run, along/, "12 ft"]], says: /ft²/ },
  {
    kind: "Rectangle",
    typed: [
      [/^Length/, "5 ft"],
      [/^Depth/, "3 ft"],
      [/^Radius of the corners/, "1 ft"],
    ],
    // 15 − (4 − π) · 1 (arithmetic).
    says: /14\.1ft²/,
  },
  { kind: "Round", typed: [[/^Diameter/, "3 ft"]], says: /7\.1ft²/ },
  {
    kind: "Oval",
    typed: [
      [/^Length/, "6 ft"],
      [/^Depth/, "4 ft"],
    ],
    says: /18\.8ft²/,
  },
  {
    kind: "Racetrack",
    typed: [
      [/^Length/, "6 ft"],
      [/^Depth/, "4 ft"],
    ],
    says: /20\.6ft²/,
  },
  {
    kind: "Polygon",
    typed: [
      [/^Sides/, "6"],
      [/^One side/, "1 ft"],
    ],
    says: /2\.6ft²/,
  },
  // A triangle of 6 by 4 ft.
  { kind: "Free outline", typed: [[/^Corners in a row/, "0 0, 6ft 0, 0 4ft\n"]], says: /12\.0ft²/ },
  // Three trapezoids of a foot: (2 + 3)/2 + (3 + 3)/2 + (3 + 2)/2 = 8.
  {
    kind: "Measured outline",
    typed: [
      [/^each after/, "1 ft"],
      [/^Or widths in a row/, "2 ft, 3 ft, 3 ft, 2 ft\n"],
    ],
    says: /8\.\dft²/,
  },
  {
    kind: "Floor",
    typed: [[/^Walls in a row/, "20 ft right, 10 ft front, 20 ft left\n"]],
    says: /200\.0ft²/,
  },
  {
    kind: "Tumbler",
    typed: [
      [/^Diameter at the top/, "3 1/2 in"],
      [/^Diameter at the base/, "2 3/4 in"],
      [/^Height/, "8 in"],
    ],
    says: /Wall \d+(\.\d)? in²/,
  },
  {
    kind: "Mould",
    typed: [
      [/^Length at the top/, "12 in"],
      [/^Depth of the mould/, "1 in"],
    ],
    says: /This piece, to fill/,
  },
  {
    kind: "River or void",
    typed: [
      [/^Depth of the channel/, "1 1/2 in"],
      [/^each after/, "8 in"],
      [/^Widths in a row/, "4, 5, 4 1/2, 5, 4\n"],
    ],
    says: /Simpson, curved banks/,
  },
  { kind: "Sample board", typed: [[/^Length/, "12 in"]], says: /ft²/ },
];

test("each kind of piece by the keyboard alone, in fewer keys than a minute has room for", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Kinds by keyboard");
  const { keyboard } = page;
  for (const [index, { kind, typed, says }] of BY_KEYBOARD.entries()) {
    let keys = 0;
    const press = async (key: string) => {
      await keyboard.press(key);
      keys += 1;
    };
    if (index === 0) {
      keys += await tabTo(page, new RegExp(`^${kind}$`));
      await press("Enter");
    } else {
      // Back from the sizes to the strip, and by its first letters to the kind.
      keys += await tabTo(page, /^add a piece$/, { backwards: true });
      await press("Enter");
      await keyboard.type(kind.slice(0, 4), { delay: 20 });
      keys += 4;
      await expect(page.getByRole("menuitem", { name: kind, exact: true })).toBeFocused();
      await press("Enter");
    }
    await expect(page.getByLabel("Kind")).toHaveValue(/.+/);
    for (const [label, text] of typed) {
      keys += await tabTo(page, label);
      await press("Control+A");
      await keyboard.type(text);
      keys += text.length;
    }
    await expect(sizes(page)).toContainText(says);
    await expect(sizes(page).getByRole("alert")).toHaveCount(0);
    // Two and a half keys a second is a slow hand.
    expect([kind, keys < 150]).toEqual([kind, true]);
  }
  await saved(page);
  await page.reload();
  await expect(drawing(page).getByRole("button", { name: "Sample board" })).toBeVisible();
  await expect(drawing(page).getByRole("button", { pressed: true })).toHaveCount(1);
});

test("an edge is pulled and the typed size follows; arrows nudge it; undo takes each back", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Pulling");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await field(page, "Length").fill("40");
  await field(page, "Depth").fill("20");
  await expect(sizes(page)).toContainText("5.6ft²");
  const right = drawing(page).getByRole("button", { name: /^right end: / });
  const box = (await right.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  for (let step = 1; step <= 6; step += 1)
    await page.mouse.move(box.x + box.width / 2 - step * 10, box.y + box.height / 2);
  await page.mouse.up();
  const length = async () => typedInches(field(page, "Length"));
  await expect.poll(length).toBeLessThan(38);
  const pulled = await length();
  // A pull snaps to a quarter inch.
  expect((pulled * 4) % 1).toBe(0);
  // An arrow key is a sixteenth, with Shift ten of them.
  await right.focus();
  await page.keyboard.press("ArrowRight");
  await expect.poll(length).toBeCloseTo(pulled + 1 / 16, 6);
  await page.keyboard.press("Shift+ArrowRight");
  await expect.poll(length).toBeCloseTo(pulled + 11 / 16, 6);
  // Back by steps: the nudges, together or one by one as they were pressed, and then the pull as one.
  for (let press = 0; press < 2 && (await length()) !== pulled; press += 1) {
    const before = await length();
    await page.keyboard.press("Control+z");
    await expect.poll(length).not.toBe(before);
  }
  expect(await length()).toBe(pulled);
  await page.keyboard.press("Control+z");
  await expect.poll(length).toBe(40);
  await page.keyboard.press("Control+Shift+z");
  await expect.poll(length).toBe(pulled);

  // Corners of a free outline: pulled, a new one put in, one taken out.
  await fromMenu(page, "this piece", "Make it a free outline");
  const corners = drawing(page).getByRole("button", { name: /^Corner \d+$/ });
  await expect(corners).toHaveCount(4);
  await page.getByRole("button", { name: "Put a corner behind corner 2" }).click();
  await expect(corners).toHaveCount(5);
  await corners.nth(2).focus();
  await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("Delete");
  await expect(corners).toHaveCount(4);

  // Mirrored and turned, an area stays.
  const area = await sizes(page).locator(".figure").first().innerText();
  await fromMenu(page, "this piece", "Mirror");
  await fromMenu(page, "this piece", "Turn by 15°");
  await expect(sizes(page).locator(".figure").first()).toHaveText(area);
  await fromMenu(page, "this piece", "Copy");
  await expect(field(page, "Piece")).toHaveValue(/ 2$/);
  await fromMenu(page, "this piece", "Remove");
  await saved(page);
});

test("faults of an outline are named, and shown where they are", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Outline faults");
  await page.getByRole("button", { name: "Free outline" }).click();
  const corners = async (text: string) => {
    await field(page, "Corners in a row").fill(text);
    await field(page, "Corners in a row").press("Enter");
  };
  const alert = (words: RegExp) => sizes(page).getByRole("alert").filter({ hasText: words });
  await corners("0 0, 60 40, 60 0, 0 40");
  await expect(alert(/crosses or touches itself/).first()).toBeVisible();
  await expect(drawing(page).locator("[data-fault]").first()).toBeVisible();
  await corners("0 0, 60 0, 60 0, 60 40, 0 40");
  await expect(alert(/two corners in one place/).first()).toBeVisible();
  await corners("0 0, 60 0");
  await expect(page.getByText("An outline has three corners at least.")).toBeVisible();
  await expect(field(page, "Corners in a row")).toHaveValue("0 0, 60 0");
  await corners("0 0, 60 0, 60 40, 0 40");
  await expect(sizes(page).getByRole("alert")).toHaveCount(0);
});

const plate = (): makerjs.IModel => ({
  layer: "plate",
  models: { outer: new makerjs.models.RoundRectangle(400, 300, 40) },
  paths: { hole: { ...new makerjs.paths.Circle([120, 150], 50), layer: "tap" } },
});
const PLATE_MM2 = 400 * 300 - (4 - Math.PI) * 40 ** 2 - Math.PI * 50 ** 2;

test("an SVG without a unit and a DXF with layers, made by another library, become pieces", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Files in");
  await page.getByRole("radio", { name: "mm · ml" }).click();
  await page.getByRole("button", { name: "read an SVG or DXF file" }).click();
  const dialog = page.getByRole("dialog");
  const choose = (name: string, text: string) =>
    dialog.getByLabel("SVG or DXF file").setInputFiles({
      name,
      mimeType: "application/octet-stream",
      buffer: Buffer.from(text),
    });
  await choose(
    "plate.svg",
    makerjs.exporter.toSVG(plate()).replace(/<svg width="[^"]*" height="[^"]*"/, "<svg"),
  );
  await dialog.getByLabel(/does not say its unit/).selectOption("mm");
  await expect(dialog.getByText(/1 hole$/)).toBeVisible();
  await dialog.getByRole("button", { name: "Take it as a piece" }).click();
  await expect(dialog).toHaveCount(0);
  await expect(field(page, "Piece")).toHaveValue("plate");
  await expect(sizes(page)).toContainText(`${(PLATE_MM2 / 1e6).toFixed(2)}m²`);

  await page.getByRole("button", { name: "read a file" }).click();
  await choose("plate 2.dxf", makerjs.exporter.toDXF(plate(), { units: makerjs.unitType.Millimeter }));
  await expect(dialog.getByText(/1 hole$/)).toBeVisible();
  await dialog.getByRole("checkbox", { name: /^tap/ }).click();
  await expect(dialog.getByText(/0 holes$/)).toBeVisible();
  await dialog.getByRole("button", { name: "Take it as a piece" }).click();
  await expect(field(page, "Piece")).toHaveValue("plate 2");
  await page.keyboard.press("Control+z");
  await expect(field(page, "Piece")).toHaveValue("plate");
});

/** What nobody should be able to do to the page with a file. */
function hostileFiles(): [string, string][] {
  const svg = (inner: string, head = "") => `${head}<svg xmlns="http://www.w3.org/2000/svg">${inner}</svg>`;
  const entity = (count: number) => "0\nLINE\n8\n0\n10\n0\n20\n0\n11\n1\n21\n1\n".repeat(count);
  return [
    ["script.svg", svg(`<script>window.harmed = true</script><path d="M0 0h10v10z"/>`)],
    ["handler.svg", svg(`<rect width="9" height="9" onload="window.harmed = true"/>`)],
    [
      "laughs.svg",
      svg(
        "<text>&f;</text>",
        `<!DOCTYPE svg [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;&a;"><!ENTITY f "&b;&b;&b;&b;">]>`,
      ),
    ],
    ["nested.svg", svg("<g>".repeat(100_000))],
    ["encrypted.svg", String.fromCharCode(...Array.from({ length: 60_000 }, (_, n) => (n * 7919) % 251))],
    ["cut.dxf", "0\nSECTION\n2\nENTITIES\n0\nLWPOLYLINE\n90\n4\n10\n1"],
    ["million.dxf", `0\nSECTION\n2\nENTITIES\n${entity(400_000)}0\nENDSEC\n0\nEOF\n`],
    ["million.svg", svg(`<path d="M0 0h1v1z"/>`.repeat(1_000_000))],
    ["huge.dxf", "0\n".repeat(12_000_000)],
    ["picture.png", "\u0089PNG"],
  ];
}

test("files that would harm are refused in words, in under two seconds", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Hostile files");
  await page.getByRole("button", { name: "read an SVG or DXF file" }).click();
  const dialog = page.getByRole("dialog");
  for (const [name, text] of hostileFiles()) {
    const answered = page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const input = document.querySelector<HTMLInputElement>('[role="dialog"] input[type="file"]')!;
          input.addEventListener(
            "change",
            () => {
              const began = performance.now();
              const look = () => {
                const said = document.querySelector('[role="dialog"] [role="alert"]');
                const working = [...document.querySelectorAll("p")].some((p) => p.textContent === "Reading…");
                if (said && !working) resolve(performance.now() - began);
                else setTimeout(look, 10);
              };
              setTimeout(look, 10);
            },
            { once: true, capture: true },
          );
        }),
    );
    await page.waitForTimeout(50);
    await dialog
      .getByLabel("SVG or DXF file")
      .setInputFiles({ name, mimeType: "application/octet-stream", buffer: Buffer.from(text) });
    const ms = await answered;
    expect([name, ms < 2000]).toEqual([name, true]);
    expect((await dialog.getByRole("alert").innerText()).length).toBeGreaterThan(15);
    await expect(dialog.getByRole("button", { name: "Take it as a piece" })).toHaveCount(0);
  }
  expect(await page.evaluate("window.harmed")).toBeUndefined();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Rectangle" }).click();
  await expect(field(page, "Length")).toBeVisible();
});

test("the drawing goes out as SVG, DXF, PNG and PDF, and reads back in true size", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Files out");
  await page.getByRole("button", { name: "L run" }).click();
  await page.getByRole("button", { name: "add a cut-out" }).click();
  await expect(sizes(page).getByRole("alert")).toHaveCount(0);
  await saved(page);
  const shown = (await sizes(page).locator(".figure").first().innerText()).replace(/[^\d.]/g, "");
  const save = async (item: string): Promise<[Download, Buffer]> => {
    await page.getByRole("button", { name: "save the drawing" }).click();
    const [download] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("menuitem", { name: item, exact: true }).first().click(),
    ]);
    return [download, readFileSync(await download.path())];
  };
  const ft2 = (read: ReadDrawing) => {
    if (!read.ok) throw new Error(read.reason);
    const taken = takeOutline(read.paths, read.mmPerUnit ?? NaN);
    if (!taken.ok) throw new Error(taken.reason);
    const imported = importedPiece(taken, "back", () => "id");
    if (!imported.ok) throw new Error(imported.why);
    const measured = measurePiece(imported.piece);
    if (!measured.ok) throw new Error(measured.faults[0]?.message);
    return (measured.measured.topAreaMm2 / 304.8 ** 2).toFixed(1);
  };
  const [svg, svgBytes] = await save("SVG");
  expect(svg.suggestedFilename()).toBe("L run.svg");
  expect(ft2(readSvg(svgBytes.toString("utf8"), 0.05))).toBe(shown);
  const [dxf, dxfBytes] = await save("DXF");
  expect(dxf.suggestedFilename()).toBe("L run.dxf");
  expect(ft2(readDxf(dxfBytes.toString("utf8"), 0.05))).toBe(shown);
  const [, png] = await save("PNG");
  const { width, height, format } = await sharp(png).metadata();
  expect([format, Math.max(width, height)]).toEqual(["png", 2400]);
  const [, pdf] = await save("PDF, Letter");
  const { text, width: wide } = await pdfText(pdf);
  expect([612, 792]).toContain(Math.round(wide));
  expect(text).toContain("L run");
  expect(text).toContain("Files out");
});

test("a photograph lies under the drawing and takes its scale from two points", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Photo under");
  await page.getByRole("button", { name: "Rectangle" }).click();
  // How many px of the screen an inch of the drawing is.
  const back = (await drawing(page)
    .getByRole("button", { name: /^back: / })
    .boundingBox())!;
  const inchPx = back.width / (await typedInches(field(page, "Length")));
  const picture = await sharp({
    create: { width: 800, height: 600, channels: 3, background: "#c8b8a0" },
  })
    .jpeg()
    .toBuffer();
  const lay = (name: string, buffer: Buffer) =>
    page
      .getByLabel("Photograph or scan to lay under the drawing")
      .setInputFiles({ name, mimeType: "image/jpeg", buffer });
  await lay("no.jpg", Buffer.from("this is no picture"));
  await expect(drawing(page).getByRole("alert")).toBeVisible();
  // A picture that comes late is not drawn at a size that it does not have.
  await page.route("**/pictures/*", async (route) => {
    await new Promise((done) => setTimeout(done, 500));
    await route.continue();
  });
  await lay("slab.jpg", picture);
  await expect(page.getByText("Click one end of a length you know.")).toBeVisible();
  const image = drawing(page).locator("image");
  await expect(image).toHaveAttribute("href", /^\/pictures\//);
  await expect
    .poll(async () => {
      const { width = 0, height = 1 } = (await image.boundingBox()) ?? {};
      return width / height;
    })
    .toBeCloseTo(800 / 600, 2);
  const box = (await image.boundingBox())!;
  const y = box.y + box.height / 2;
  await page.mouse.click(box.x + 20, y);
  await page.mouse.click(box.x + 220, y);
  await field(page, "Length between the two points").fill("20 in");
  // 200 px of the screen are now 20 in.
  await expect
    .poll(async () => (await image.boundingBox())!.width / box.width)
    .toBeCloseTo((20 * inchPx) / 200, 1);
  await page.getByRole("button", { name: "done" }).click();
  await saved(page);

  // Traced along the photo: an ellipse of 200 by 140 px by ten clicks, one point by keys.
  const large = (await image.boundingBox())!;
  const [midX, midY] = [large.x + 300, large.y + 220];
  const round = (index: number) => {
    const turn = (2 * Math.PI * index) / 10;
    return [midX + 200 * Math.cos(turn), midY + 140 * Math.sin(turn)] as const;
  };
  await fromMenu(page, "photo", "Trace the piece along it");
  await expect(page.getByText("Click along the edge of the piece.")).toBeVisible();
  for (let index = 0; index < 9; index += 1) await page.mouse.click(...round(index));
  await page.mouse.click(midX, midY);
  const cross = page.getByRole("application", { name: /^Trace/ });
  await cross.focus();
  await page.keyboard.press("Backspace");
  await page.mouse.click(...round(9));
  await page.getByRole("button", { name: "close the outline" }).click();
  await expect(drawing(page).getByRole("button", { name: /^side 1: / })).toHaveCount(1);
  await expect(drawing(page).getByRole("button", { name: /^Corner \d+$/ })).toHaveCount(10);
  // π·a·b; a click is a whole px.
  const ft2 = (Math.PI * 200 * 140) / inchPx ** 2 / 144;
  await expect
    .poll(async () => Number(/([\d.]+)\s*ft²/.exec(await sizes(page).innerText())?.[1]))
    .toBeCloseTo(ft2, 0);
  // A point is pulled by keys, and the line follows.
  const corner = drawing(page).getByRole("button", { name: "Corner 1", exact: true });
  await corner.focus();
  for (let step = 0; step < 8; step += 1) await page.keyboard.press("Shift+ArrowRight");
  await expect
    .poll(async () => Number(/([\d.]+)\s*ft²/.exec(await sizes(page).innerText())?.[1]))
    .toBeGreaterThan(ft2 + 0.2);
  await saved(page);
  await page.reload();
  await expect(drawing(page).getByRole("button", { name: /^Corner \d+$/ })).toHaveCount(10);
  await expect(image).toHaveAttribute("href", /^\/pictures\//);
  await fromMenu(page, "photo", "Take it away");
  await expect(image).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(image).toHaveCount(1);
});
