import { renderToBuffer } from "@react-pdf/renderer";
import type { Person } from "@/contracts/people";
import { derivePlan } from "@/core/plan/derive-plan";
import { runSheet } from "@/core/plan/run-sheet";
import { openJob } from "../queries";
import { batchCsv } from "./batch-csv";
import { batchSheet } from "./batch-lines";
import { BatchPdf } from "./batch-pdf";
import { paperOf } from "./pdf-page";
import { RunPdf } from "./run-pdf";

export type SheetFile = { body: Buffer | string; type: string; name: string };

const fileName = (job: string, rest: string) =>
  `${
    job
      .replace(/[^\p{L}\p{N}]+/gu, "-")
      .replace(/^-|-$/g, "")
      .slice(0, 60) || "job"
  }-${rest}`;

/** A sheet of a job as a file, computed from the saved document by the same plan as in the browser. */
export async function exportSheet(
  person: Person,
  jobId: string,
  sheet: "batch.pdf" | "run.pdf" | "batch.csv",
  paper: string | null,
): Promise<SheetFile> {
  const { job, cards } = await openJob(person, jobId);
  const plan = derivePlan(job.document, cards);
  if (sheet === "batch.csv")
    return {
      body: `\ufeff${batchCsv(batchSheet(plan, person.units))}`,
      type: "text/csv; charset=utf-8",
      name: fileName(job.name, "batch.csv"),
    };
  const pdf =
    sheet === "batch.pdf" ? (
      <BatchPdf
        title={job.name}
        batches={batchSheet(plan, person.units)}
        paper={paperOf(paper)}
        system={person.units}
      />
    ) : (
      <RunPdf title={job.name} steps={runSheet(plan, person.units)} paper={paperOf(paper)} />
    );
  return { body: await renderToBuffer(pdf), type: "application/pdf", name: fileName(job.name, sheet) };
}
