/** A stream ends after so long and is opened anew: whoever was signed out meanwhile hears no more, ms. */
const LASTS_MS = 60_000;

/** One message of a stream; by its number a browser goes on where it left off. */
export type StreamMessage = { data: unknown; id?: string };

/**
 * An answer that goes on: each message as it comes (server-sent events), until there are no more, whoever asked is gone, or a minute is over.
 * @param messages told when to end
 * @param againMs after so long the browser opens it anew
 */
export function eventStream(
  request: Request,
  messages: (ends: AbortSignal) => AsyncGenerator<StreamMessage>,
  againMs: number,
): Response {
  const bytes = new TextEncoder();
  const gone = new AbortController();
  const coming = messages(AbortSignal.any([request.signal, gone.signal, AbortSignal.timeout(LASTS_MS)]));
  const stream = new ReadableStream<Uint8Array>({
    start: (controller) => controller.enqueue(bytes.encode(`retry: ${againMs}\n\n`)),
    async pull(controller) {
      const { done, value } = await coming.next();
      if (gone.signal.aborted) return;
      if (done) controller.close();
      else
        controller.enqueue(
          bytes.encode(`${value.id ? `id: ${value.id}\n` : ""}data: ${JSON.stringify(value.data)}\n\n`),
        );
    },
    cancel: () => {
      gone.abort();
      void coming.return(undefined);
    },
  });
  return new Response(stream, {
    headers: {
      "cache-control": "no-store, no-transform",
      "content-type": "text/event-stream; charset=utf-8",
      "x-accel-buffering": "no",
    },
  });
}
