import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import Papa from "papaparse";
import { field, makeJob, pdfText, saved, signIn, stage } from "../fixtures/shop";

test("one counter, from tape measure to cups: typed, drawn, built, batched, reloaded, printed", async ({
  page,
}) => {
  page.setDefaultTimeout(10_000);
  await signIn(page);
  const jobId = await makeJob(page, "Road by mouse");
  await page.getByRole("button", { name: "Straight run" }).click();

  // 96 × 25 1/2 in are 17 ft² (arithmetic); other unit system beside.
  await field(page, "Length").fill("8'");
  await field(page, "Depth").fill("2' 1.5\"");
  await expect(page.getByText("2 438 mm").first()).toBeVisible();
  const sizes = page.getByRole("region", { name: "Sizes" });
  await expect(sizes.getByText("17.0ft²")).toBeVisible();
  await expect(sizes.getByText("1.58 m²")).toBeVisible();
  // The front face: 8 ft long, 2 in high, square, is 1.33 ft².
  for (const end of ["right end", "left end"])
    await page.getByLabel(`${end}: how the film ends`).selectOption("open");
  await page.getByRole("button", { name: "front: face" }).click();
  await field(page, "Height, front").fill("2 in");
  await field(page, "Rounding, 0 is square").fill("0");
  await expect(sizes.getByText("1.3ft²")).toBeVisible();

  await stage(page, "Build");
  await page.getByRole("button", { name: "base", exact: true }).click();
  await page.getByRole("radio", { name: "white" }).click();
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await field(page, "Wet film").fill("3 fl oz/ft2");
  await expect(page.getByText("42.7 ft²/gal")).toBeVisible();
  await page.getByRole("button", { name: "Bone white", exact: true }).click();
  await field(page, "Share").fill("50");
  await expect(page.getByRole("slider", { name: "Share of Bone white" })).toHaveAttribute(
    "aria-valuenow",
    "50",
  );
  // The others gave way in proportion: 30 and 10 of 40 now share 50.
  await expect(page.getByRole("slider", { name: "Share of Pewter" })).toHaveAttribute(
    "aria-valuenow",
    /^3[78]$/,
  );

  await stage(page, "Cups");
  const why = page.getByRole("region", { name: "How much, and why" });
  // 17 ft² × 3 fl oz/ft² = 51 fl oz on the top (arithmetic).
  await expect(why.getByRole("button", { name: /On the top/ })).toContainText("51");
  for (const line of ["On the faces", "Bucket walls", "Cups", "Sticks", "Run-off", "Held back"])
    await expect(why.getByRole("button", { name: new RegExp(`^${line}`) })).toBeVisible();
  const cups = page.getByRole("region", { name: "Cups" });
  await expect(cups.getByText("1 Bone white")).toBeVisible();
  const scale = page.getByRole("region", { name: "On the scale" });
  await expect(scale.getByText("A, resin")).toBeVisible();
  await expect(scale.getByText("B, hardener")).toBeVisible();

  // Everything follows at once when a number changes.
  const hero = why.locator(".figure").first();
  const before = await hero.innerText();
  await stage(page, "Measure");
  await field(page, "Length").fill("10 ft");
  await stage(page, "Cups");
  await expect(hero).not.toHaveText(before);
  const after = await hero.innerText();
  await saved(page);

  await page.reload();
  await expect(hero).toHaveText(after);

  // The batch sheet, on paper and as a table.
  const [csvFile] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "CSV" }).click(),
  ]);
  expect(csvFile.suggestedFilename()).toBe("Road-by-mouse-batch.csv");
  const rows = Papa.parse<Record<string, string>>(
    readFileSync(await csvFile.path(), "utf8").replace("\ufeff", ""),
    { header: true, skipEmptyLines: true },
  ).data;
  const ofColour = rows.filter((row) => row["coat"]?.startsWith("Colour"));
  const grams = (name: string) => Number(ofColour.find((row) => row["name"]?.startsWith(name))?.["g"]);
  const told = ofColour.filter((row) => row["kind"] === "cup");
  const cupsMl = told.reduce((sum, row) => sum + Number(row["ml"]), 0);
  const potMl = ["A", "B"].reduce(
    (sum, part) => sum + Number(ofColour.find((row) => row["name"]?.startsWith(`${part},`))?.["ml"]),
    0,
  );
  expect(told.length).toBeGreaterThan(1);
  // Cups are rounded to 0.1 ml, A and B go by whole grams.
  expect(Math.abs(cupsMl - potMl)).toBeLessThanOrEqual(1);
  // 1:1 by volume at 1.15 and 0.98 g/ml.
  expect(grams("B, hardener") / grams("A, resin")).toBeCloseTo(0.98 / 1.15, 2);

  for (const [paper, width, height] of [
    ["A4", 595, 842],
    ["Letter", 612, 792],
  ] as const) {
    const [file] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("link", { name: paper }).first().click(),
    ]);
    const pdf = await pdfText(readFileSync(await file.path()));
    expect([Math.round(pdf.width), Math.round(pdf.height)]).toEqual([width, height]);
    expect(pdf.text).toContain("Road by mouse");
    expect(pdf.text).toContain("A, resin");
    expect(pdf.text.replace(/\s/g, "")).toContain(`${Math.round(grams("A, resin"))}g`);
    expect(pdf.text).toContain("Nitrile gloves");
  }
  const [run] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "A4" }).nth(1).click(),
  ]);
  const runText = (await pdfText(readFileSync(await run.path()))).text;
  expect(runText).toContain("Palm blend");
  expect(runText).toContain("No flame until alcohol");

  await page.getByRole("link", { name: "Batch sheet" }).click();
  await expect(page.getByRole("heading", { name: "Road by mouse" })).toBeVisible();
  await expect(page.getByText("Bone white into cup 1")).toBeVisible();
  expect(page.url()).toContain(jobId);
});

test("what cannot be is named at its field, the last good value counts on, and the typed text survives a reload", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Faults");
  await page.getByRole("button", { name: "L run" }).click();
  await field(page, "Return, from the corner").fill("20");
  await expect(page.getByRole("alert").filter({ hasText: "The return must be longer" })).toBeVisible();
  await field(page, "Return, from the corner").fill("70");
  await expect(page.getByRole("alert").filter({ hasText: "The return must be longer" })).toHaveCount(0);

  await field(page, "Long leg, along the wall").fill("ninety six");
  await field(page, "Long leg, along the wall").blur();
  await expect(page.getByText(/That is not a length.*Still counted with 94 1\/2 in/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(field(page, "Long leg, along the wall")).toHaveValue("ninety six");
  await expect(page.getByText(/That is not a length/)).toBeVisible();

  await page.getByRole("button", { name: "add a cut-out" }).click();
  await field(page, "Centre from the left").fill("1 in");
  await expect(page.getByRole("alert").filter({ hasText: "reaches over the edge" })).toBeVisible();
  await stage(page, "Build");
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await stage(page, "Cups");
  await expect(page.getByText("No piece is measured yet.")).toBeVisible();
  await expect(page.getByText(/Not counted: L run/)).toBeVisible();
});
