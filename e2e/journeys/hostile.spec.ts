import { expect, test, type Locator, type Page } from "@playwright/test";
import { field, makeJob, saved, signIn, stage } from "../fixtures/shop";

/** A hundred things that nobody should type, the same every time. */
function hostile(): string[] {
  const fixed = [
    "",
    " ",
    "-",
    "--5",
    "+",
    ".",
    "..",
    "1..2",
    "1,2,3",
    "1e999",
    "-1e308",
    "1e-400",
    "NaN",
    "Infinity",
    "-Infinity",
    "null",
    "undefined",
    "0x41",
    "١٢٣",
    "１２",
    "½½",
    "1/0",
    "0/0",
    "/",
    "3//4",
    "1 2/3 4",
    "9999999999999999999999",
    "0",
    "-0",
    "-1",
    "1e5",
    "0.0000000001",
    "<script>alert(1)</script>",
    "'; DROP TABLE jobs; --",
    "${7*7}",
    "{{7*7}}",
    "../../etc/passwd",
    "%00",
    "\u0000",
    "\u202Etxt",
    "😀",
    "👩‍👩‍👧",
    "é".repeat(50),
    "A".repeat(5000),
    "1".repeat(300),
    "1 ".repeat(200),
    "\t5\t",
    "5\u00a0mm",
    "5\u2009000 mm",
    "1,500",
    "1.500,00",
    "1'2'3'",
    "5 km",
    "5 parsec",
    "5 mm mm",
    "mm 5",
    "5 in -3 in",
    "ft",
    '"',
    "'",
    "''",
    "\\",
    "\\u0041",
    "&lt;",
    "=1+1",
    "@SUM(A1)",
    "+1+1",
    "-2+3",
    "5;6",
    "5|6",
    "5\\6",
    "[5]",
    "{5}",
    "(5)",
    "5!",
    "5%",
    "50 %",
    "#5",
    "°C",
    "72 F",
    "-400 C",
    "1:1",
    "12:30",
    "5x6",
    "5*6",
    "5^2",
    "√2",
    "π",
    "１／２",
    "〇",
    "五",
    "５ｍｍ",
    "5 ㎜",
    "true",
    "[object Object]",
    "javascript:1",
    "\r\n5",
    "5\r\n6",
    "​5",
    "5​mm",
    "\uFEFF5",
    "5e",
    "e5",
  ];
  return fixed.slice(0, 100);
}

const bare = (text: string) => text.replace(/[\s\u0000]/g, "");

/** Every so many entries one goes in by Playwright's own hand; the others by the same events, in the page. */
const BY_HAND = 12;

type Answer = { typed: string; after: string; invalid: boolean; words: string };

/** Puts an entry into a field and leaves it, as a person would; says what stands there then. */
async function enter(target: Locator, entry: string): Promise<Answer> {
  return target.evaluate(async (element, text) => {
    const input = element as HTMLInputElement;
    const painted = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
    input.focus();
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set?.call(input, text);
    input.dispatchEvent(new Event("input", { bubbles: true }));
    await painted();
    const typed = input.value;
    input.blur();
    await painted();
    const described = input.getAttribute("aria-describedby");
    return {
      typed,
      after: input.value,
      invalid: input.getAttribute("aria-invalid") === "true",
      words: described ? (document.getElementById(described)?.innerText ?? "") : "",
    };
  }, entry);
}

/** Types all of it into a field: the page stays up, the text stays as typed until it is readable, and an error is in words. */
async function torment(page: Page, target: Locator): Promise<void> {
  const errors: string[] = [];
  page.on("pageerror", (error) => errors.push(error.message));
  const entries = hostile();
  expect(entries).toHaveLength(100);
  let refused = 0;
  for (const [index, entry] of entries.entries()) {
    if (index % BY_HAND === 0) {
      await target.fill(entry);
      await target.blur();
    }
    const { typed, after, invalid, words } = await enter(target, entry);
    // The browser itself drops line breaks from a field of one line; nothing else may change.
    expect(bare(typed)).toBe(bare(entry));
    if (!invalid) continue;
    refused += 1;
    expect([entry, after]).toEqual([entry, typed]);
    expect(words.length).toBeGreaterThan(8);
  }
  expect(refused).toBeGreaterThan(50);
  expect(errors).toEqual([]);
}

test.describe("a hundred hostile entries", () => {
  test("in lengths, counts and names", async ({ page }) => {
    await signIn(page);
    await makeJob(page, "Hostile sizes");
    await page.getByRole("button", { name: "Rectangle" }).click();
    await torment(page, field(page, "Length"));
    await torment(page, field(page, "How many"));
    await field(page, "Length").fill("50 in");
    await field(page, "How many").fill("2");
    for (const entry of hostile()) await field(page, "Piece").fill(entry.slice(0, 80));
    await field(page, "Piece").fill("Still here");
    await saved(page);
    await page.reload();
    await expect(field(page, "Piece")).toHaveValue("Still here");
    await expect(field(page, "Length")).toHaveValue("50");
  });

  test("in film, temperature, share and dose", async ({ page }) => {
    await signIn(page);
    await makeJob(page, "Hostile build");
    await page.getByRole("button", { name: "Rectangle" }).click();
    await stage(page, "Build");
    await page.getByRole("button", { name: "colour", exact: true }).click();
    await torment(page, field(page, "Wet film"));
    await field(page, "Wet film").fill("3");
    await torment(page, field(page, "Room and resin"));
    await field(page, "Room and resin").fill("70");
    await page.getByRole("button", { name: "Pewter", exact: true }).click();
    await torment(page, field(page, "Share"));
    await field(page, "Share").fill("30");
    await torment(page, field(page, "Dose, g per 100 g of mix"));
    await field(page, "Dose, g per 100 g of mix").fill("1.5");
    await page.getByRole("button", { name: "start, mixing, rate, faces, stones" }).click();
    await torment(page, field(page, "One person lays in an hour"));
    await field(page, "One person lays in an hour").fill("60");
    await saved(page);
    await stage(page, "Cups");
    await torment(page, field(page, "A in the pot"));
  });

  test("in a resin card's times and weights, and in the search", async ({ page }) => {
    await signIn(page);
    await page.goto("/cards/new");
    await torment(page, field(page, "Pot life"));
    await torment(page, field(page, "Tack-free"));
    await torment(page, field(page, "Viscosity, mixed"));
    await torment(page, field(page, "Density of A"));
    await page.goto("/jobs");
    for (const entry of hostile()) await page.getByLabel("Search name, client, status").fill(entry);
    await expect(page.getByRole("heading", { name: "Jobs" })).toBeVisible();
  });

  test("in a job's name: what the server takes comes back letter by letter", async ({ page }) => {
    await signIn(page);
    const name = `<b>"O'Hara" & Söhne</b> ✓ =1+1`;
    await makeJob(page, name);
    await page.goto("/jobs");
    await expect(page.getByRole("link", { name })).toBeVisible();
  });
});
