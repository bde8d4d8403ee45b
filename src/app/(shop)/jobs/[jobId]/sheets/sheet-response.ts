import type { NextRequest } from "next/server";
import { downloadOf } from "@/app/download";
import { openBench } from "@/features/bench/queries";
import { exportSheet } from "@/features/job/sheets/export-sheet";
import type { SheetKind } from "@/features/job/sheets/make-sheet";

type Context = { params: Promise<{ jobId: string }> };

/** Answers with one sheet of a job as a download, or says why not. */
export function sheetResponse(sheet: SheetKind) {
  return (request: NextRequest, { params }: Context): Promise<Response> =>
    downloadOf(
      async (person) =>
        exportSheet(person, (await params).jobId, sheet, request.nextUrl.searchParams, () =>
          openBench(person),
        ),
      "There is no such job.",
    );
}
