import { downloadOf } from "@/app/download";
import { fileOfVersion } from "@/features/recipes/queries";

type Context = { params: Promise<{ recipeId: string; versionId: string }> };

/** A version as a file to keep or to hand on. */
export const GET = (_request: Request, { params }: Context): Promise<Response> =>
  downloadOf(async (person) => {
    const file = await fileOfVersion(person, (await params).versionId);
    const name = `${file.name} v${file.version}`.replace(/[^\w -]+/g, "").trim() || "recipe";
    return {
      body: `${JSON.stringify(file, null, 2)}\n`,
      type: "application/json; charset=utf-8",
      name: `${name}.json`,
    };
  }, "There is no such version.");
