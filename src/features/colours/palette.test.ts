import Papa from "papaparse";
import { ciede2000 } from "@/core/colour/ciede2000";
import { starterColours } from "@/core/colour/starter-colours";
import { labOfHex } from "@/core/colour/spaces";
import { shelfCsv, shelfPalette, standingColour } from "./palette";

let made = 0;
const cards = starterColours(() => `card-${(made += 1)}`);

test("a GIMP palette: its head, then three channels and a name to the line", () => {
  const [magic, name, columns, rule, ...lines] = shelfPalette("Lantern\nYard", cards).trimEnd().split("\n");
  expect([magic, name, columns, rule]).toEqual(["GIMP Palette", "Name: Lantern Yard", "Columns: 6", "#"]);
  expect(lines).toHaveLength(cards.length);
  for (const line of lines) expect(line).toMatch(/^ {0,2}\d{1,3} {1,3}\d{1,3} {1,3}\d{1,3}\t\S/);
  // Red oxide is a dull red, whatever card it stands on.
  const red = lines
    .find((line) => line.includes("Red oxide"))!
    .trim()
    .split(/\s+/)
    .map(Number);
  expect(red[0]!).toBeGreaterThan(red[1]! + 40);
});

test("a CSV comes back: every card, its colour by hex and by L*a*b* alike; formulas are disarmed", () => {
  const odd = { ...cards[0]!, name: "=1+1" };
  const rows = Papa.parse<Record<string, string>>(shelfCsv([...cards, odd]), { header: true }).data;
  expect(rows).toHaveLength(cards.length + 1);
  expect(rows.at(-1)!["name"]).toBe("'=1+1");
  rows.slice(0, -1).forEach((row, index) => {
    expect(row["name"]).toBe(cards[index]!.name);
    const { lab, hex } = standingColour(cards[index]!);
    expect(row["hex"]).toBe(hex);
    expect(ciede2000([Number(row["L"]), Number(row["a"]), Number(row["b"])], lab)).toBeLessThan(0.05);
    expect(labOfHex(hex)[0]).toBeGreaterThanOrEqual(0);
  });
});
