import { streamFile } from "@/app/stream-file";

type Context = { params: Promise<{ recipeId: string }> };

/** One recipe with what it is made of, for a colleague. */
export const GET = (_request: Request, { params }: Context): Promise<Response> =>
  streamFile(async () => ({ holds: "recipe", id: (await params).recipeId }));
