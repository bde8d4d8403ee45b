import { fileOfVersion } from "@/features/recipes/queries";
import { Refused } from "@/server/refused";
import { currentPerson } from "@/server/session";

type Context = { params: Promise<{ recipeId: string; versionId: string }> };

/** A version as a file to keep or to hand on. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const person = await currentPerson();
  if (!person) return new Response("Sign in first.", { status: 401 });
  try {
    const file = await fileOfVersion(person, (await params).versionId);
    const name = `${file.name} v${file.version}`.replace(/[^\w -]+/g, "").trim() || "recipe";
    return new Response(`${JSON.stringify(file, null, 2)}\n`, {
      headers: {
        "content-type": "application/json; charset=utf-8",
        "content-disposition": `attachment; filename="${name}.json"`,
        "cache-control": "no-store",
      },
    });
  } catch (failure) {
    if (failure instanceof Refused && failure.error.code === "not-found")
      return new Response("There is no such version.", { status: 404 });
    throw failure;
  }
}
