import { NextResponse, type NextRequest } from "next/server";
import type { ActError } from "@/contracts/act";
import { perform } from "@/server/acts";
import { diskFull, isDiskFull, refuseOnFullDisk } from "@/server/disk";
import { Refused } from "@/server/refused";
import { currentPerson } from "@/server/session";
import { isOurs } from "../../same-origin";
import { ACTS } from "../registry";

const STATUS: Record<ActError["code"], number> = {
  invalid: 422,
  "signed-out": 401,
  forbidden: 403,
  "not-found": 404,
  conflict: 409,
  "slow-down": 429,
  unreadable: 422,
  unreachable: 503,
  full: 507,
  failed: 500,
};
const LARGEST_BODY = 4 * 1024 * 1024;
const TOO_LARGE = "That is more than can be saved at once.";

const refuse = (code: ActError["code"], message: string) =>
  NextResponse.json({ ok: false, error: { code, message } }, { status: STATUS[code] });

/** The body as text, given up as soon as it is too large; null then. */
async function bodyOf(request: NextRequest): Promise<string | null> {
  if (Number(request.headers.get("content-length") ?? 0) > LARGEST_BODY) return null;
  const decoder = new TextDecoder();
  let [text, bytes] = ["", 0];
  for await (const chunk of request.body ?? []) {
    bytes += chunk.length;
    if (bytes > LARGEST_BODY) return null;
    text += decoder.decode(chunk, { stream: true });
  }
  return text + decoder.decode();
}

export async function POST(
  request: NextRequest,
  { params }: { params: Promise<{ name: string }> },
): Promise<NextResponse> {
  if (!isOurs(request)) return refuse("forbidden", "This request did not come from Gaugebeam's own pages.");
  if (!request.headers.get("content-type")?.startsWith("application/json"))
    return refuse("invalid", "Only JSON is read here.");
  const implemented = ACTS.get((await params).name);
  if (!implemented) return refuse("not-found", "There is no such act.");
  let input: unknown;
  try {
    const body = await bodyOf(request);
    if (body === null) return refuse("invalid", TOO_LARGE);
    input = JSON.parse(body);
  } catch {
    return refuse("invalid", "That could not be read.");
  }
  try {
    if (!implemented.act.reads) await refuseOnFullDisk();
    const result = await perform(implemented, await currentPerson(), input);
    return NextResponse.json(result, { status: result.ok ? 200 : STATUS[result.error.code] });
  } catch (thrown) {
    const failure = isDiskFull(thrown) ? diskFull() : thrown;
    if (failure instanceof Refused) return refuse(failure.error.code, failure.error.message);
    console.error(`Act ${implemented.act.name} failed:`, failure);
    return refuse(
      "failed",
      "The server could not do that just now. What you typed is kept; it is tried again.",
    );
  }
}
