import { z } from "zod";
import { recipeFile } from "@/contracts/recipes";
import { currentPerson } from "@/server/session";

/** The schema of recipe files, made from the one that they are read by. */
export async function GET(): Promise<Response> {
  if (!(await currentPerson())) return new Response("Sign in first.", { status: 401 });
  return Response.json(z.toJSONSchema(recipeFile, { io: "input" }));
}
