import { renderToBuffer } from "@react-pdf/renderer";
import sharp from "sharp";
import { z } from "zod";
import type { Person } from "@/contracts/people";
import { derivePlan } from "@/core/plan/derive-plan";
import { standing } from "@/core/pattern/standing";
import { tapeList } from "@/core/pattern/tape";
import { placesOf } from "@/core/pattern/places";
import { runSheet } from "@/core/plan/run-sheet";
import { notFound } from "@/server/refused";
import { openJob, pictureBytes } from "../queries";
import { batchCsv } from "./batch-csv";
import { batchJson } from "./batch-json";
import { batchSheet } from "./batch-lines";
import { BatchPdf } from "./batch-pdf";
import { ClientPdf } from "./client-pdf";
import { paperOf } from "./pdf-page";
import { PiecePdf } from "./piece-pdf";
import { RunPdf } from "./run-pdf";
import { VeinPdf } from "./vein-pdf";

export type SheetFile = { body: Buffer | string; type: string; name: string };

const fileName = (job: string, rest: string) =>
  `${
    job
      .replace(/[^\p{L}\p{N}]+/gu, "-")
      .replace(/^-|-$/g, "")
      .slice(0, 60) || "job"
  }-${rest}`;

export type SheetKind =
  "batch.pdf" | "run.pdf" | "batch.csv" | "batch.json" | "piece.pdf" | "veins.pdf" | "client.pdf";

/** A sheet of a job as a file, computed from the saved document by the same plan as in the browser. */
export async function exportSheet(
  person: Person,
  jobId: string,
  sheet: SheetKind,
  asked: URLSearchParams,
): Promise<SheetFile> {
  const { job, cards } = await openJob(person, jobId);
  const plan = derivePlan(job.document, cards);
  const paper = paperOf(asked.get("paper"));
  const name = fileName(job.name, sheet);
  const pdf = async (page: Parameters<typeof renderToBuffer>[0], as = name): Promise<SheetFile> => ({
    body: await renderToBuffer(page),
    type: "application/pdf",
    name: as,
  });
  switch (sheet) {
    case "batch.csv":
      return {
        body: `\ufeff${batchCsv(batchSheet(plan, person.units))}`,
        type: "text/csv; charset=utf-8",
        name,
      };
    case "batch.json":
      return {
        body: `${JSON.stringify(batchJson(job.name, batchSheet(plan, person.units)), null, 2)}\n`,
        type: "application/json; charset=utf-8",
        name,
      };
    case "batch.pdf":
      return pdf(
        <BatchPdf
          title={job.name}
          batches={batchSheet(plan, person.units)}
          paper={paper}
          system={person.units}
        />,
      );
    case "run.pdf":
      return pdf(<RunPdf title={job.name} steps={runSheet(plan, person.units)} paper={paper} />);
    case "piece.pdf": {
      const piece = job.document.pieces.find((one) => one.id === asked.get("piece"));
      if (!piece) throw notFound("piece");
      return pdf(
        <PiecePdf title={job.name} piece={piece} paper={paper} system={person.units} />,
        fileName(job.name, `${piece.name.replace(/[^\p{L}\p{N}]+/gu, "-").slice(0, 40)}.pdf`),
      );
    }
    case "client.pdf": {
      const id = z.uuid().safeParse(asked.get("picture"));
      if (!id.success) throw notFound("picture");
      // Kept small as WebP; a PDF holds PNG.
      const picture = await sharp(await pictureBytes(person, id.data))
        .png()
        .toBuffer();
      return pdf(<ClientPdf title={job.name} picture={picture} paper={paper} />);
    }
    case "veins.pdf": {
      const pieces = standing(plan.pieces);
      const piece = pieces.find((one) => one.id === asked.get("piece"));
      if (!piece) throw notFound("piece");
      const map = job.document.veinMap ?? { places: {}, sets: [] };
      const place = placesOf(pieces, map.places).get(piece.id);
      const veins = place ? tapeList(map, piece, place) : [];
      return pdf(
        <VeinPdf title={job.name} piece={piece} veins={veins} paper={paper} system={person.units} />,
        fileName(job.name, `veins-${piece.name.replace(/[^\p{L}\p{N}]+/gu, "-").slice(0, 40)}.pdf`),
      );
    }
  }
}
