import { currentPerson } from "@/server/session";
import type { ColourCard } from "@/core/colour/colour-card";
import { listColours } from "./queries";

/** Answers with the shelf as a file. */
export async function shelfResponse(
  name: string,
  type: string,
  write: (cards: readonly ColourCard[]) => string,
): Promise<Response> {
  const person = await currentPerson();
  if (!person) return new Response("Sign in first.", { status: 401 });
  return new Response(write(await listColours(person)), {
    headers: {
      "content-type": `${type}; charset=utf-8`,
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });
}
