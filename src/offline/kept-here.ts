import { emptyOutbox, waitingCount } from "./outbox";

/** Caches whose names begin so hold what belongs to a person: pages and pictures. The program itself is everybody's. */
export const PERSONS_CACHE = "gaugebeam-kept-";
export const PAGES_CACHE = `${PERSONS_CACHE}pages`;
export const PICTURES_CACHE = `${PERSONS_CACHE}pictures`;

/** What a page asks the service worker for: these paths are kept, so that they open without the server. What was kept before `since`, ms, is out of date. */
export type KeepAsked = { keep: string[]; since: number };

const workerHere = (): ServiceWorkerContainer | null =>
  typeof navigator !== "undefined" && "serviceWorker" in navigator ? navigator.serviceWorker : null;

/** Lets the service worker work where the browser has any; without one everything works as long as the server answers. */
export function startServiceWorker(): void {
  void workerHere()
    ?.register("/service-worker.js", { updateViaCache: "none" })
    .catch(() => {});
}

/** Whether the service worker is at work for this page, so that what it keeps opens without the server. */
export const opensWithoutServer = (): boolean => Boolean(workerHere()?.controller);

/** Asks for pages to be kept on this device. What is kept and still fresh is not fetched again. */
export async function keepPages(paths: readonly string[], since = 0): Promise<void> {
  const asked: KeepAsked = { keep: [...new Set(paths)], since };
  (await workerHere()?.ready)?.active?.postMessage(asked);
}

/** Pages and pictures that this device keeps of whoever was signed in. */
export async function wipePages(): Promise<void> {
  if (typeof caches === "undefined") return;
  const names = await caches.keys();
  await Promise.all(
    names.filter((name) => name.startsWith(PERSONS_CACHE)).map((name) => caches.delete(name)),
  );
}

const OURS = "gaugebeam.";
/** How this device rings, shows and hears is its own, whoever uses it. */
const OF_THE_DEVICE = "gaugebeam.device.";

const keysOf = (storage: Storage): string[] =>
  Array.from({ length: storage.length }, (_, index) => storage.key(index) ?? "").filter(
    (key) => key.startsWith(OURS) && !key.startsWith(OF_THE_DEVICE),
  );

/** What would be lost if this device were wiped: entries of pours, and changes of jobs, that have not reached the server. */
export type NotSent = { entries: number; changes: number };

export async function notSentYet(): Promise<NotSent> {
  return {
    entries: await waitingCount().catch(() => 0),
    changes: keysOf(localStorage).length,
  };
}

/** All that this device keeps of whoever was signed in: pages, pictures, entries, what was typed. */
export async function wipeDevice(): Promise<void> {
  for (const storage of [localStorage, sessionStorage])
    for (const key of keysOf(storage)) storage.removeItem(key);
  await Promise.all([wipePages(), emptyOutbox().catch(() => {})]);
}

export type KeptPage = { path: string; title: string; at: Date | null };

/** Pages that this device keeps, newest first; Bench before all. */
export async function keptPages(): Promise<KeptPage[]> {
  if (typeof caches === "undefined") return [];
  const cache = await caches.open(PAGES_CACHE);
  const pages = await Promise.all(
    (await cache.keys()).map(async (request): Promise<KeptPage> => {
      const response = await cache.match(request, { ignoreVary: true });
      const title = /<title>([^<]*)/.exec((await response?.text()) ?? "")?.[1] ?? "";
      const path = new URL(request.url).pathname;
      const date = Date.parse(response?.headers.get("date") ?? "");
      return {
        path,
        title: nameOf(path, plainText(title).replace(/ · Gaugebeam$/, "")),
        at: Number.isNaN(date) ? null : new Date(date),
      };
    }),
  );
  const rank = ({ path, at }: KeptPage) => (path === "/bench" ? Infinity : (at?.getTime() ?? 0));
  return pages.sort((a, b) => rank(b) - rank(a));
}

const plainText = (html: string): string =>
  new DOMParser().parseFromString(html, "text/html").documentElement.textContent;

/** "Island, cups": pages of one job are told apart by their stage. */
function nameOf(path: string, title: string): string {
  const stage = /^\/jobs\/[^/]+\/(.+)$/.exec(path)?.[1]?.replace("sheets/", "sheet: ");
  return stage ? `${title}, ${stage}` : title || path;
}
