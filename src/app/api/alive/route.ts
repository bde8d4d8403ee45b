import { isReachable } from "@/server/database";

/** Whether the app and its database answer: 204, or 503. It tells nothing of any shop. */
export async function GET(): Promise<Response> {
  return new Response(null, {
    status: (await isReachable()) ? 204 : 503,
    headers: { "cache-control": "no-store" },
  });
}
