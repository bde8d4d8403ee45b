import type { NextRequest } from "next/server";
import { downloadOf } from "@/app/download";
import { quoteFile } from "@/features/money/quote/queries";

type Context = { params: Promise<{ quoteId: string }> };

/** A quote as it was given, as a PDF to be sent. */
export const GET = (request: NextRequest, { params }: Context): Promise<Response> =>
  downloadOf(
    async (person) => quoteFile(person, (await params).quoteId, request.nextUrl.searchParams.get("paper")),
    "There is no such quote.",
  );
