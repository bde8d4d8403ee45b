import Papa from "papaparse";
import { derivePlan } from "@/core/plan/derive-plan";
import { sampleJob } from "@/core/job/sample-job";
import { starterCards } from "@/core/cure/starter-cards";
import { batchCsv } from "./batch-csv";
import { batchSheet } from "./batch-lines";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);

function rowsOf(change: (job: ReturnType<typeof sampleJob>) => void = () => {}) {
  const job = sampleJob(cards, newId);
  change(job);
  const csv = batchCsv(batchSheet(derivePlan(job, cards), "metric"));
  return Papa.parse<Record<string, string>>(csv, { header: true }).data;
}

test("every batch is there with what is weighed and its cups; cups sum to A and B", () => {
  const rows = rowsOf();
  const coats = [...new Set(rows.map((row) => row["coat"]))];
  expect(coats).toHaveLength(4);
  const colour = rows.filter((row) => row["coat"]?.startsWith("Palm blend"));
  const sum = (kind: (row: Record<string, string>) => boolean) =>
    colour.filter(kind).reduce((total, row) => total + Number(row["ml"]), 0);
  const cups = sum((row) => row["kind"] === "cup");
  const parts = sum((row) => row["kind"] === "weigh" && /^[AB],/.test(row["name"] ?? ""));
  expect(Math.abs(cups - parts)).toBeLessThanOrEqual(1);
});

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
