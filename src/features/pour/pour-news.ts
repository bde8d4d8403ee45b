import type { PourNews } from "@/contracts/pours";

/** Asked for so often where the browser is told nothing, ms. */
const ASK_MS = 3000;

/**
 * Hears what is recorded of a pour on any screen: told by the server as it comes; where that does not work, asked for. What answers a question
 * comes with when that was asked, ms; what is told unasked may have lain for any time. Ends when the answer is called.
 */
export function listenToPour(
  pourId: string,
  heard: (news: PourNews, askedMs: number | null) => void,
): () => void {
  const address = `/api/pours/${pourId}/news`;
  let last = "0";
  let timer: ReturnType<typeof setTimeout> | undefined;
  let source: EventSource | null = null;
  let over = false;
  const take = (news: PourNews, askedMs: number | null) => {
    last = news.last;
    heard(news, askedMs);
  };
  const ask = async () => {
    const askedMs = Date.now();
    try {
      const response = await fetch(`${address}?once&after=${last}`);
      if (response.ok) take((await response.json()) as PourNews, askedMs);
    } catch {
      // No network: asked again.
    }
    if (!over) timer = setTimeout(() => void ask(), ASK_MS);
  };
  if (typeof EventSource === "undefined") void ask();
  else {
    let askedMs: number | null = Date.now();
    source = new EventSource(address);
    source.onmessage = ({ data }) => {
      take(JSON.parse(data as string) as PourNews, askedMs);
      askedMs = null;
    };
    source.onerror = () => {
      // What only broke off opens again by itself; what was refused does not.
      if (source?.readyState !== EventSource.CLOSED) return;
      clearTimeout(timer);
      timer = setTimeout(() => void ask(), ASK_MS);
    };
  }
  return () => {
    over = true;
    clearTimeout(timer);
    source?.close();
  };
}
