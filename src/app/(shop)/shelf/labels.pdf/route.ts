import type { NextRequest } from "next/server";
import { downloadOf } from "@/app/download";
import { shelfLabels } from "@/features/shelf/queries";

/** Labels of one lot, or of all that hold something, as a PDF. */
export function GET(request: NextRequest): Promise<Response> {
  const { searchParams } = request.nextUrl;
  const code = searchParams.get("lot");
  return downloadOf(
    async (person) => ({
      body: await shelfLabels(person, code === null ? null : Number(code), searchParams.get("paper")),
      type: "application/pdf",
      name: `shelf-labels${code === null ? "" : `-L${Number(code)}`}.pdf`,
    }),
    "Nothing with this code stands on the shelf.",
  );
}
