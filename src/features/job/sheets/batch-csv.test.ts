import Papa from "papaparse";
import { derivePlan } from "@/core/plan/derive-plan";
import { sampleJob } from "@/core/job/sample-job";
import type { UnitSystem } from "@/core/units/dimension";
import { starterCards } from "@/core/cure/starter-cards";
import { batchCsv } from "./batch-csv";
import { batchSheet } from "./batch-lines";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);

function rowsOf(
  change: (job: ReturnType<typeof sampleJob>) => void = () => {},
  system: UnitSystem = "metric",
) {
  const job = sampleJob(cards, newId);
  change(job);
  const csv = batchCsv(batchSheet(derivePlan(job, cards), system), []);
  return Papa.parse<Record<string, string>>(csv, { header: true }).data;
}

test.each(["metric", "us"] as const)(
  "every batch with what is weighed and its cups; cups sum to A and B, %s",
  (system) => {
    // Seven cups, none of them whole in any unit: rounded to quarter ounces they would be off by more.
    const rows = rowsOf(({ coats: [, , colour] }) => {
      const [white] = colour!.colours;
      const shares = [0.31, 0.23, 0.17, 0.13, 0.09, 0.05, 0.02];
      colour!.colours = shares.map((share, at) => ({ ...white!, id: `c-${at}`, share }));
    }, system);
    const coats = [...new Set(rows.map((row) => row["coat"]))];
    expect(coats).toHaveLength(4);
    const colour = rows.filter((row) => row["coat"]?.startsWith("Palm blend"));
    const sum = (kind: (row: Record<string, string>) => boolean) =>
      colour.filter(kind).reduce((total, row) => total + Number(row["ml"]), 0);
    const cups = sum((row) => row["kind"] === "cup");
    const parts = sum((row) => row["kind"] === "weigh" && /^[AB],/.test(row["name"] ?? ""));
    expect(Math.abs(cups - parts)).toBeLessThanOrEqual(1);
  },
);

test("a name that a spreadsheet would run is disarmed, and quotes and line breaks come back whole", () => {
  const evil = '=HYPERLINK("http://x","y")';
  const rows = rowsOf((job) => {
    job.coats[2]!.name = evil;
    job.coats[1]!.name = 'say "two\nlines", please';
  });
  const names = new Set(rows.map((row) => row["coat"]));
  expect(names).not.toContain(evil);
  expect(names).toContain(`'${evil}`);
  expect(names).toContain('say "two\nlines", please');
});
