import type { NextRequest } from "next/server";

/** Whether a write comes from our own pages: of the same origin. */
export function isOurs(request: NextRequest): boolean {
  const site = request.headers.get("sec-fetch-site");
  if (site !== null && site !== "same-origin") return false;
  const origin = request.headers.get("origin");
  if (origin === null) return site === "same-origin";
  return URL.canParse(origin) && new URL(origin).host === request.headers.get("host");
}
