import { pourNews } from "@/features/pour/queries";
import { eventStream, type StreamMessage } from "@/server/event-stream";
import { Refused } from "@/server/refused";
import { currentPerson } from "@/server/session";

/** The database is asked so often for what other screens have recorded, ms. */
const ASK_MS = 350;
/** Something is said so often though nothing happens, so that whoever listens knows that it stands, ms. */
const ALIVE_MS = 10_000;
/** Opened again after so long, ms. */
const AGAIN_MS = 200;

const NUMBER = /^\d{1,20}$/;

type News = Awaited<ReturnType<typeof pourNews>>;

/** What is recorded of a pour, as it comes, from any screen; `?once` for a browser that has to ask. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ pourId: string }> },
): Promise<Response> {
  const person = await currentPerson();
  if (!person) return new Response(null, { status: 401 });
  const { pourId } = await params;
  const query = new URL(request.url).searchParams;
  const asked = request.headers.get("last-event-id") ?? query.get("after") ?? "0";
  const since = (last: string) => pourNews(person, pourId, last);
  try {
    const first = await since(NUMBER.test(asked) ? asked : "0");
    if (query.has("once")) return Response.json(first, { headers: { "cache-control": "no-store" } });
    return eventStream(request, (ends) => told(first, since, ends), AGAIN_MS);
  } catch (failure) {
    if (failure instanceof Refused) return new Response(null, { status: 404 });
    throw failure;
  }
}

/** News one after the other. A database that is away for a moment ends them; the browser asks anew. */
async function* told(
  first: News,
  since: (last: string) => Promise<News>,
  ends: AbortSignal,
): AsyncGenerator<StreamMessage> {
  yield { id: first.last, data: first };
  let { last } = first;
  let saidAt = Date.now();
  while (!ends.aborted) {
    await new Promise((resolve) => setTimeout(resolve, ASK_MS));
    const news = await since(last).catch(() => null);
    if (!news) return;
    if (news.last === last && Date.now() - saidAt < ALIVE_MS) continue;
    last = news.last;
    saidAt = Date.now();
    yield { id: last, data: news };
  }
}
