import { renderToBuffer } from "@react-pdf/renderer";
import type { ShelfItem } from "@/core/shelf/item";
import type { Lot } from "@/core/shelf/lot";
import { paperOf } from "@/ui/pdf-page";
import { LabelPdf } from "./label-pdf";
import { labelsOf } from "./label-sheet";

export type LabelsAsked = { items: readonly ShelfItem[]; lots: readonly Lot[]; paper: string | null };

/** A sheet of labels as a PDF file. */
export const makeLabels = async ({ items, lots, paper }: LabelsAsked): Promise<Uint8Array> =>
  new Uint8Array(
    await renderToBuffer(
      <LabelPdf labels={labelsOf(items, lots)} paper={paperOf(paper)} title="Shelf labels" />,
    ),
  );
