import type { Person } from "@/contracts/people";
import { fileOf } from "@/features/shop-file/queries";
import type { Wanted } from "@/server/shop-file/selection";
import { Refused } from "@/server/refused";
import { currentPerson } from "@/server/session";

/** Sends a shop, or one thing of it, as a zip. */
export async function streamFile(wantedOf: (person: Person) => Promise<Wanted> | Wanted): Promise<Response> {
  const person = await currentPerson();
  if (!person) return new Response("Sign in first.", { status: 401 });
  try {
    const wanted = await wantedOf(person);
    if (wanted.holds === "shop" && person.role !== "owner")
      return new Response("Only an owner of the shop can take all of it out.", { status: 403 });
    const { stream, bytes, name } = await fileOf(person, wanted);
    return new Response(stream, {
      headers: {
        "content-type": "application/zip",
        "content-length": String(bytes),
        "content-disposition": `attachment; filename="gaugebeam.zip"; filename*=UTF-8''${encodeURIComponent(name)}`,
        "cache-control": "no-store",
      },
    });
  } catch (failure) {
    if (failure instanceof Refused)
      return new Response(failure.error.message, { status: failure.error.code === "not-found" ? 404 : 422 });
    throw failure;
  }
}
