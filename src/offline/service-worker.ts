import {
  CacheFirst,
  ExpirationPlugin,
  NetworkFirst,
  Serwist,
  type PrecacheEntry,
  type SerwistPlugin,
} from "serwist";
import { PAGES_CACHE, PICTURES_CACHE, type KeepAsked } from "./kept-here";

/** All files of this build, and the pages that ask the server for nothing: put here by scripts/build-service-worker.mjs. */
declare const BUILD_FILES: PrecacheEntry[];

type Lasting = { waitUntil: (work: Promise<unknown>) => void };

/** Pages that may be kept: Bench, pours, jobs with their sheets, cards. */
const KEPT = /^\/(bench|jobs|pours\/[^/]+|cards\/[^/]+|colours|jobs\/[^/]+\/[a-z]+(\/[a-z]+)?)$/;
/** Where nothing is kept of an address, this page tells what is. */
const NOTHING_KEPT = "/kept";
const MOST_PAGES = 80;
const MOST_PICTURES = 120;
/** A week: longer than any server is down, and than a film is wet. */
const KEPT_S = 7 * 86_400;
/** A server that is silent for so long counts as gone where a page is kept, s. */
const SILENT_S = 6;
/** What was kept within so long is not asked for again, ms. */
const FRESH_MS = 4 * 60_000;

/** A page as the server gave it to this person: not a way to the sign-in, not a failure. */
const isWhole = (response: Response) => response.status === 200 && !response.redirected;

const pagesAsGiven: SerwistPlugin = {
  // A server that fails is as good as none where a page is kept.
  fetchDidSucceed: ({ response }) => {
    if (response.status >= 500) throw new Error(`The server answers ${response.status}.`);
    return Promise.resolve(response);
  },
  cacheWillUpdate: ({ request, response }) =>
    Promise.resolve(isWhole(response) && KEPT.test(new URL(request.url).pathname) ? response : null),
  handlerDidError: async () => caches.match(await keptPageUrl()),
};

/** A worker is told what to do behind the # of its address; an answer that has an address itself would take it away. */
const underItsOwnAddress: SerwistPlugin = {
  cachedResponseWillBeUsed: ({ cachedResponse, event }) =>
    Promise.resolve(
      cachedResponse && (event as unknown as { request: Request }).request.destination === "worker"
        ? new Response(cachedResponse.body, cachedResponse)
        : cachedResponse,
    ),
};

const keptPageUrl = async () => serwist.getPrecacheKeyForUrl(NOTHING_KEPT) ?? NOTHING_KEPT;

const serwist = new Serwist({
  precacheEntries: BUILD_FILES,
  precacheOptions: { cleanupOutdatedCaches: true, plugins: [underItsOwnAddress] },
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ request, sameOrigin, url }) =>
        sameOrigin && request.mode === "navigate" && !url.pathname.startsWith("/api/"),
      handler: new NetworkFirst({
        cacheName: PAGES_CACHE,
        networkTimeoutSeconds: SILENT_S,
        matchOptions: { ignoreVary: true },
        plugins: [
          pagesAsGiven,
          new ExpirationPlugin({ maxEntries: MOST_PAGES, maxAgeSeconds: KEPT_S, purgeOnQuotaError: true }),
        ],
      }),
    },
    {
      matcher: ({ sameOrigin, url }) => sameOrigin && url.pathname.startsWith("/pictures/"),
      handler: new CacheFirst({
        cacheName: PICTURES_CACHE,
        plugins: [
          new ExpirationPlugin({
            maxEntries: MOST_PICTURES,
            maxAgeSeconds: KEPT_S,
            purgeOnQuotaError: true,
          }),
        ],
      }),
    },
  ],
});
serwist.addEventListeners();

/** Fetches pages one after the other, so that a bench machine can go on with its work, and keeps them. */
async function keep({ keep: paths, since }: KeepAsked): Promise<void> {
  const cache = await caches.open(PAGES_CACHE);
  for (const path of paths) {
    const url = new URL(path, location.origin);
    if (url.origin !== location.origin || !KEPT.test(url.pathname)) continue;
    const there = await cache.match(url, { ignoreVary: true });
    const keptMs = Date.parse(there?.headers.get("date") ?? "");
    if (keptMs > Math.max(since, Date.now() - FRESH_MS)) continue;
    try {
      const response = await fetch(url, {
        credentials: "same-origin",
        headers: { accept: "text/html" },
        signal: AbortSignal.timeout(20_000),
      });
      if (isWhole(response)) await cache.put(url, response);
    } catch {
      // No network: what is kept already stays.
      return;
    }
  }
}

addEventListener("message", (event: MessageEvent<unknown>) => {
  const { keep: paths, since } = (event.data ?? {}) as Partial<KeepAsked>;
  if (Array.isArray(paths))
    (event as MessageEvent & Lasting).waitUntil(keep({ keep: paths, since: since ?? 0 }));
});
