import { eventStream } from "@/server/event-stream";
import { addressOf, instrumentLines, type InstrumentKind } from "@/server/instrument";
import { currentPerson } from "@/server/session";

/** Opened again after so long where an instrument is gone, ms. */
const AGAIN_MS = 1000;

/** What an instrument at the server prints, line by line. Each screen that listens has a connection of its own. */
export async function instrumentResponse(request: Request, kind: InstrumentKind): Promise<Response> {
  if (!(await currentPerson())) return new Response(null, { status: 401 });
  const address = addressOf(kind);
  if (!address) return new Response(null, { status: 404 });
  return eventStream(
    request,
    async function* (ends) {
      for await (const line of instrumentLines(address, ends)) yield { data: line };
    },
    AGAIN_MS,
  );
}
