import { renderToBuffer } from "@react-pdf/renderer";
import sharp from "sharp";
import type { Bench } from "@/contracts/bench";
import type { ResinCard } from "@/core/cure/resin-card";
import { zoneTable } from "@/core/geometry/zones/zone-table";
import { placesOf } from "@/core/veins/places";
import { standing } from "@/core/veins/standing";
import { tapeList } from "@/core/veins/tape";
import { derivePlan } from "@/core/plan/derive-plan";
import type { JobDocument } from "@/core/job/job";
import { runSheet } from "@/core/pour/run-sheet";
import { planAmong } from "@/core/shop/shop";
import { wallClock, type Zone } from "@/core/shop/wall-clock";
import { asFileName } from "@/core/units/cut-text";
import type { ClockStyle } from "@/core/units/clock";
import type { UnitSystem } from "@/core/units/dimension";
import { batchCsv } from "./batch-csv";
import { batchJson } from "./batch-json";
import { batchSheet } from "./batch-lines";
import { BatchPdf } from "./batch-pdf";
import { ClientPdf } from "./client-pdf";
import { paperOf } from "@/ui/pdf-page";
import { PiecePdf } from "./piece-pdf";
import { RunPdf } from "./run-pdf";
import { VeinPdf } from "./vein-pdf";
import { ZonePdf } from "./zone-pdf";

/** All that a sheet is made of. */
export type SheetRequest = {
  sheet: SheetKind;
  jobName: string;
  document: JobDocument;
  cards: ResinCard[];
  units: UnitSystem;
  clock: ClockStyle;
  paper: string | null;
  pieceId: string | null;
  /** The other work of the shop, and when it was asked; null where no hour is on the sheet, or the job has no day. */
  among: { jobId: string; bench: Bench; now: number; timeZone: Zone } | null;
  /** The WebP that the client's sheet shows. */
  picture: Uint8Array | null;
};

export type SheetFile = { body: Uint8Array | string; type: string; name: string };

const hyphened = (name: string) => asFileName(name).replace(/[ _-]+/g, "-");
const fileName = (job: string, rest: string) => `${hyphened(job) || "job"}-${rest}`;

export type SheetKind =
  | "batch.pdf"
  | "run.pdf"
  | "batch.csv"
  | "batch.json"
  | "piece.pdf"
  | "veins.pdf"
  | "zones.pdf"
  | "client.pdf";

/** A sheet of a job as a file, by the same plan as in the browser; null where the job has no such piece or picture. */
export async function makeSheet({
  sheet,
  jobName,
  document,
  cards,
  units,
  clock,
  paper: wanted,
  pieceId,
  picture,
  among,
}: SheetRequest): Promise<SheetFile | null> {
  const alone = derivePlan(document, cards);
  const plan = among
    ? planAmong(
        { id: among.jobId, name: jobName, document },
        alone,
        among.bench,
        among.bench.settings,
        wallClock(new Date(among.now), among.timeZone),
      )
    : alone;
  const paper = paperOf(wanted);
  const name = fileName(jobName, sheet);
  const pdf = async (page: Parameters<typeof renderToBuffer>[0], as = name): Promise<SheetFile> => ({
    body: await renderToBuffer(page),
    type: "application/pdf",
    name: as,
  });
  switch (sheet) {
    case "batch.csv":
      return {
        body: `\ufeff${batchCsv(batchSheet(plan, units), zoneTable(plan.pieces))}`,
        type: "text/csv; charset=utf-8",
        name,
      };
    case "batch.json":
      return {
        body: `${JSON.stringify(batchJson(jobName, batchSheet(plan, units), zoneTable(plan.pieces)), null, 2)}\n`,
        type: "application/json; charset=utf-8",
        name,
      };
    case "batch.pdf":
      return pdf(
        <BatchPdf
          title={jobName}
          batches={batchSheet(plan, units, clock)}
          zones={zoneTable(plan.pieces)}
          paper={paper}
          system={units}
        />,
      );
    case "run.pdf":
      return pdf(<RunPdf title={jobName} steps={runSheet(plan, units)} clock={clock} paper={paper} />);
    case "piece.pdf": {
      const piece = document.pieces.find((shown) => shown.id === pieceId);
      if (!piece) return null;
      return pdf(
        <PiecePdf title={jobName} piece={piece} paper={paper} system={units} />,
        fileName(jobName, `${hyphened(piece.name)}.pdf`),
      );
    }
    case "zones.pdf": {
      const piece = plan.pieces.find((measured) => measured.id === pieceId);
      if (!piece) return null;
      return pdf(
        <ZonePdf title={jobName} piece={piece} paper={paper} system={units} />,
        fileName(jobName, `zones-${hyphened(piece.name)}.pdf`),
      );
    }
    case "client.pdf": {
      if (!picture) return null;
      // Kept small as WebP; a PDF holds PNG.
      const png = await sharp(picture).png().toBuffer();
      return pdf(<ClientPdf title={jobName} picture={png} paper={paper} />);
    }
    case "veins.pdf": {
      const pieces = standing(plan.pieces);
      const piece = pieces.find((measured) => measured.id === pieceId);
      if (!piece) return null;
      const map = document.veinMap ?? { places: {}, sets: [] };
      const place = placesOf(pieces, map.places).get(piece.id);
      const veins = place ? tapeList(map, piece, place) : [];
      return pdf(
        <VeinPdf title={jobName} piece={piece} veins={veins} paper={paper} system={units} />,
        fileName(jobName, `veins-${hyphened(piece.name)}.pdf`),
      );
    }
  }
}
