import { expect, test } from "@playwright/test";
import { field, makeJob, saved, signIn, stage } from "../fixtures/shop";

const KINDS: { kind: string; sizes: [string, string][]; ft2: string; edges: number }[] = [
  {
    kind: "Straight run",
    sizes: [
      ["Length", "8 ft"],
      ["Depth", "2 ft"],
    ],
    ft2: "16.0",
    edges: 4,
  },
  {
    kind: "Rectangle",
    sizes: [
      ["Length", "5 ft"],
      ["Depth", "3 ft"],
    ],
    ft2: "15.0",
    edges: 4,
  },
  // 10 × 2 and 5 × 2 less the corner counted twice.
  {
    kind: "L run",
    sizes: [
      ["Long leg, along the wall", "10 ft"],
      ["Return, from the corner", "5 ft"],
    ],
    ft2: "",
    edges: 6,
  },
  {
    kind: "U run",
    sizes: [
      ["Run, along the wall", "10 ft"],
      ["Left return, from the corner", "6 ft"],
      ["Right return, from the corner", "5 ft"],
    ],
    ft2: "",
    edges: 8,
  },
  // π/4 · 6 · 4, π·2² + 2 · 4, 3√3/2, π·1.5² (arithmetic).
  {
    kind: "Oval",
    sizes: [
      ["Length", "6 ft"],
      ["Depth", "4 ft"],
    ],
    ft2: "18.8",
    edges: 1,
  },
  {
    kind: "Racetrack",
    sizes: [
      ["Length", "6 ft"],
      ["Depth", "4 ft"],
    ],
    ft2: "20.6",
    edges: 1,
  },
  {
    kind: "Polygon",
    sizes: [
      ["Sides", "6"],
      ["One side", "1 ft"],
    ],
    ft2: "2.6",
    edges: 1,
  },
  { kind: "Round", sizes: [["Diameter", "3 ft"]], ft2: "7.1", edges: 1 },
];

test("every kind of piece is typed, drawn with all its edges, measured, and comes back", async ({ page }) => {
  await signIn(page);
  await makeJob(page, "Kinds");
  const [first, ...others] = KINDS;
  await page.getByRole("button", { name: first!.kind }).click();
  const sizes = page.getByRole("region", { name: "Sizes" });
  const drawing = page.getByRole("region", { name: "Drawing" });
  for (const { kind, sizes: typed, ft2, edges } of [first!, ...others]) {
    await page.getByLabel("Kind").selectOption({ label: kind });
    for (const [label, text] of typed) await field(page, label).fill(text);
    if (ft2) await expect(sizes.getByText(`${ft2}ft²`)).toBeVisible();
    await expect(drawing.getByRole("button", { name: /: (face|wall|open|dammed)$/ })).toHaveCount(edges);
    await expect(sizes.getByRole("alert")).toHaveCount(0);
  }
  // A piece that bears its kind's name follows it.
  await expect(field(page, "Piece")).toHaveValue("Round");
  await saved(page);
  await page.reload();
  await expect(field(page, "Diameter")).toHaveValue("36");
});

test("a floor's door: strips begin far from it; a door behind which the floor goes on is a trap, told in red", async ({
  page,
}) => {
  await signIn(page);
  await makeJob(page, "Floor with a door");
  await page.getByRole("button", { name: "Floor", exact: true }).click();
  const doors = page.getByRole("region", { name: "Doors" });
  await expect(doors.getByText("Where is the door?")).toBeVisible();
  await doors.getByRole("button", { name: "add a door" }).click();
  await doors.getByLabel("Door 1, in").selectOption("side 4");
  await expect(doors.getByText(/^Strips begin far from door 1/)).toBeVisible();
  // An L, its door in the inner corner: whichever way the strips run, the floor goes on behind it, 6 ft at the least.
  await field(page, "Walls in a row").fill("20 ft right, 8 ft front, 12 ft left, 8 ft front, 8 ft left");
  await field(page, "Walls in a row").press("Enter");
  await doors.getByLabel("Door 1, in").selectOption("side 3");
  await field(page, "Along it, door 1").fill("6 ft");
  await expect(doors.getByRole("alert")).toContainText("A trap: the floor goes on 72 in behind door 1");
  await doors.getByLabel("Door 1, in").selectOption("side 2");
  await field(page, "Along it, door 1").fill("4 ft");
  await expect(doors.getByRole("alert")).toHaveCount(0);
  await saved(page);
  await stage(page, "Build");
  await page.getByRole("button", { name: "colour", exact: true }).click();
  await saved(page);
  await stage(page, "Cups");
  await expect(page.getByText(/^Strips begin far from door 1/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^Strips begin far from door 1/)).toBeVisible();
});
