import { readFile } from "node:fs/promises";
import { join } from "node:path";

/** The service worker of this build (scripts/build-service-worker.mjs); none where it was not built, as while developing. */
export async function GET(): Promise<Response> {
  try {
    const script = await readFile(
      join(process.cwd(), process.env["GAUGEBEAM_DIST"] ?? ".next", "service-worker.js"),
    );
    return new Response(script, {
      headers: { "content-type": "text/javascript; charset=utf-8", "cache-control": "no-cache" },
    });
  } catch {
    return new Response(null, { status: 404 });
  }
}
