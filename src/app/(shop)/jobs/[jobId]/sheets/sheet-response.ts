import type { NextRequest } from "next/server";
import { openBench } from "@/features/bench/queries";
import { exportSheet } from "@/features/job/sheets/export-sheet";
import type { SheetKind } from "@/features/job/sheets/make-sheet";
import { Refused } from "@/server/refused";
import { currentPerson } from "@/server/session";

type Context = { params: Promise<{ jobId: string }> };

/** Answers with one sheet of a job as a download, or says why not. */
export function sheetResponse(sheet: SheetKind) {
  return async (request: NextRequest, { params }: Context): Promise<Response> => {
    const person = await currentPerson();
    if (!person) return new Response("Sign in first.", { status: 401 });
    try {
      const { body, type, name } = await exportSheet(
        person,
        (await params).jobId,
        sheet,
        request.nextUrl.searchParams,
        () => openBench(person),
      );
      const bytes = typeof body === "string" ? new TextEncoder().encode(body) : new Uint8Array(body);
      const ascii = name.replace(/[^\x20-\x7e]/g, "_");
      return new Response(bytes, {
        headers: {
          "content-type": type,
          "content-disposition": `attachment; filename="${ascii}"; filename*=UTF-8''${encodeURIComponent(name)}`,
          "cache-control": "no-store",
        },
      });
    } catch (failure) {
      if (failure instanceof Refused && failure.error.code === "not-found")
        return new Response("There is no such job.", { status: 404 });
      if (failure instanceof Refused) return new Response(failure.error.message, { status: 422 });
      throw failure;
    }
  };
}
