import type { ColourCard } from "@/core/colour/colour-card";
import { aside, asideTask } from "@/server/aside";
import { currentPerson } from "@/server/session";
import { listColours } from "./queries";
import type { ShelfFile } from "./palette";

const shelfTask = asideTask<{ file: ShelfFile; cards: ColourCard[] }, string>("sheet", "shelf");

/** Answers with the shelf as a file. */
export async function shelfResponse(file: ShelfFile, type: string): Promise<Response> {
  const person = await currentPerson();
  if (!person) return new Response("Sign in first.", { status: 401 });
  return new Response(await aside(person, shelfTask, { file, cards: await listColours(person) }), {
    headers: {
      "content-type": `${type}; charset=utf-8`,
      "content-disposition": `attachment; filename="${file}"`,
      "cache-control": "no-store",
    },
  });
}
