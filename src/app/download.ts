import type { Person } from "@/contracts/people";
import { Refused } from "@/server/refused";
import { currentPerson } from "@/server/session";

export type DownloadFile = { body: Uint8Array | string; type: string; name: string };

/** A file by its name, whatever signs that has. */
export function download({ body, type, name }: DownloadFile): Response {
  const bytes = typeof body === "string" ? new TextEncoder().encode(body) : new Uint8Array(body);
  const ascii = name.replace(/[^\x20-\x7e]/g, "_").replace(/["\\]/g, "_");
  return new Response(bytes, {
    headers: {
      "content-type": type,
      "content-disposition": `attachment; filename="${ascii}"; filename*=UTF-8''${encodeURIComponent(name)}`,
      "cache-control": "no-store",
    },
  });
}

/** Answers with a file of the signed-in person's shop, or says in words why there is none. */
export async function downloadOf(
  make: (person: Person) => Promise<DownloadFile>,
  notThere: string,
): Promise<Response> {
  const person = await currentPerson();
  if (!person) return new Response("Sign in first.", { status: 401 });
  try {
    return download(await make(person));
  } catch (failure) {
    if (failure instanceof Refused && failure.error.code === "not-found")
      return new Response(notThere, { status: 404 });
    if (failure instanceof Refused) return new Response(failure.error.message, { status: 422 });
    throw failure;
  }
}
