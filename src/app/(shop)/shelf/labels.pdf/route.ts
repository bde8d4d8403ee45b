import type { NextRequest } from "next/server";
import { shelfLabels } from "@/features/shelf/queries";
import { Refused } from "@/server/refused";
import { currentPerson } from "@/server/session";

/** Labels of one lot, or of all that hold something, as a PDF. */
export async function GET(request: NextRequest): Promise<Response> {
  const person = await currentPerson();
  if (!person) return new Response("Sign in first.", { status: 401 });
  const { searchParams } = request.nextUrl;
  const code = searchParams.get("lot");
  try {
    const pdf = await shelfLabels(person, code === null ? null : Number(code), searchParams.get("paper"));
    return new Response(new Uint8Array(pdf), {
      headers: {
        "content-type": "application/pdf",
        "content-disposition": `attachment; filename="shelf-labels${code === null ? "" : `-L${Number(code)}`}.pdf"`,
        "cache-control": "no-store",
      },
    });
  } catch (failure) {
    if (failure instanceof Refused)
      return new Response(failure.error.message, { status: failure.error.code === "not-found" ? 404 : 422 });
    throw failure;
  }
}
