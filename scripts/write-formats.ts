import { writeFileSync } from "node:fs";
import { z } from "zod";
import { recipeFile } from "@/contracts/recipes";

/** The JSON Schema of recipe files, as docs/formats holds it. */
export const recipeSchema = (): string =>
  `${JSON.stringify({ title: "Gaugebeam recipe", ...z.toJSONSchema(recipeFile, { io: "input" }) }, null, 2)}\n`;

if (process.argv[1]?.endsWith("write-formats.ts"))
  writeFileSync("docs/formats/recipe.schema.json", recipeSchema());
