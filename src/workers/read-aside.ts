import { inTime, workerClient } from "./client";

/** A file that is larger is none of those that are read here. */
const MOST_BYTES = 16_000_000;
/** A file that takes longer is let go; its worker ends with it. */
const PATIENCE_MS = 20_000;

type ReadCalls<Read> = { read: (text: string) => Read };

/** Reads a text file in a worker of its own, so that the page lives on whatever it holds. */
export async function readAside<Read>(
  worker: () => Worker,
  file: File,
): Promise<{ ok: true; value: Read } | { ok: false; reason: string }> {
  if (file.size > MOST_BYTES)
    return {
      ok: false,
      reason: `The file has ${Math.round(file.size / 1e6)} MB; ${MOST_BYTES / 1e6} MB is the most.`,
    };
  const client = workerClient<ReadCalls<Read>>(worker);
  const value = await inTime(client.ask("read", await file.text()), PATIENCE_MS);
  client.end();
  return value === null
    ? { ok: false, reason: "The file cannot be read, or takes too long. Make it shorter and try again." }
    : { ok: true, value };
}
