import { pourNews } from "@/features/pour/queries";
import { Refused } from "@/server/refused";
import { currentPerson } from "@/server/session";

/** The database is asked so often for what other screens have recorded, ms. */
const ASK_MS = 350;
/** A line is said so often though nothing happens, so that whoever listens knows that it stands, ms. */
const ALIVE_MS = 10_000;
/** A stream ends after so long and is opened anew: whoever was signed out meanwhile hears no more, ms. */
const LASTS_MS = 60_000;
/** Opened again after so long, ms. */
const AGAIN_MS = 200;

const NUMBER = /^\d{1,20}$/;

/** What is recorded of a pour, as it comes, from any screen (server-sent events); `?once` for a browser that has to ask. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ pourId: string }> },
): Promise<Response> {
  const person = await currentPerson();
  if (!person) return new Response(null, { status: 401 });
  const { pourId } = await params;
  const query = new URL(request.url).searchParams;
  const asked = request.headers.get("last-event-id") ?? query.get("after") ?? "0";
  const after = NUMBER.test(asked) ? asked : "0";
  const headers = { "cache-control": "no-store, no-transform" };
  try {
    const first = await pourNews(person, pourId, after);
    if (query.has("once")) return Response.json(first, { headers });
    const stream = streamed(first, (last) => pourNews(person, pourId, last), request.signal);
    return new Response(stream, {
      headers: { ...headers, "content-type": "text/event-stream; charset=utf-8", "x-accel-buffering": "no" },
    });
  } catch (failure) {
    if (failure instanceof Refused) return new Response(null, { status: 404 });
    throw failure;
  }
}

type News = Awaited<ReturnType<typeof pourNews>>;

function streamed(first: News, since: (last: string) => Promise<News>, signal: AbortSignal) {
  const bytes = new TextEncoder();
  const began = Date.now();
  let [last, saidAt, ended] = [first.last, began, false];
  const say = (news: News) => {
    saidAt = Date.now();
    return bytes.encode(`id: ${news.last}\ndata: ${JSON.stringify(news)}\n\n`);
  };
  return new ReadableStream<Uint8Array>({
    start(controller) {
      controller.enqueue(bytes.encode(`retry: ${AGAIN_MS}\n\n`));
      controller.enqueue(say(first));
    },
    async pull(controller) {
      while (!ended && !signal.aborted && Date.now() - began < LASTS_MS) {
        await new Promise((resolve) => setTimeout(resolve, ASK_MS));
        // A database that is away for a moment ends the stream; the browser opens it again.
        const news = await since(last).catch(() => null);
        if (!news || ended) break;
        if (news.last !== last || Date.now() - saidAt > ALIVE_MS) {
          last = news.last;
          controller.enqueue(say(news));
          return;
        }
      }
      if (!ended) controller.close();
      ended = true;
    },
    cancel() {
      ended = true;
    },
  });
}
