import { addressOf, instrumentLines } from "@/server/instrument";
import { currentPerson } from "@/server/session";

/** Opened again after so long where an instrument is gone, ms. */
const AGAIN_MS = 1000;
/** Ends after so long and is opened anew: whoever was signed out meanwhile hears no more, ms. */
const LASTS_MS = 60_000;

/** What the scale at the server prints, line by line (server-sent events). Each screen that listens has a connection of its own. */
export async function GET(request: Request): Promise<Response> {
  if (!(await currentPerson())) return new Response(null, { status: 401 });
  const address = addressOf("scale");
  if (!address) return new Response(null, { status: 404 });
  const ends = AbortSignal.any([request.signal, AbortSignal.timeout(LASTS_MS)]);
  const lines = instrumentLines(address, ends);
  const bytes = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    start: (controller) => controller.enqueue(bytes.encode(`retry: ${AGAIN_MS}\n\n`)),
    async pull(controller) {
      const { done, value } = await lines.next();
      if (done) controller.close();
      else controller.enqueue(bytes.encode(`data: ${JSON.stringify(value)}\n\n`));
    },
    cancel: () => void lines.return(undefined),
  });
  return new Response(stream, {
    headers: {
      "cache-control": "no-store, no-transform",
      "content-type": "text/event-stream; charset=utf-8",
      "x-accel-buffering": "no",
    },
  });
}
