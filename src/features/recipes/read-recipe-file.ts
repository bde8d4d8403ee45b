import { findNodeAtLocation, parseTree, printParseErrorCode, type Node, type ParseError } from "jsonc-parser";
import type { z } from "zod";
import { recipeFile, type RecipeFile } from "@/contracts/recipes";
import type { FileProblem } from "@/ui/file-problems";

/** A recipe is some kilobytes; more than this is none. */
const MOST_SIGNS = 2_000_000;
/** A recipe has some eight brackets within each other; readers give up far beyond. */
const DEEPEST = 60;
/** Further ones are mostly the same again. */
const MOST_PROBLEMS = 100;

export type ReadRecipe = { ok: true; file: RecipeFile } | { ok: false; problems: FileProblem[] };

/** Where brackets stand deeper within each other than in any recipe; null where they do not. */
function tooDeepAt(text: string): number | null {
  let depth = 0;
  let quoted = false;
  for (let at = 0; at < text.length; at += 1) {
    const sign = text[at];
    if (quoted) {
      if (sign === "\\") at += 1;
      else if (sign === '"') quoted = false;
    } else if (sign === '"') quoted = true;
    else if (sign === "[" || sign === "{") {
      depth += 1;
      if (depth > DEEPEST) return at;
    } else if (sign === "]" || sign === "}") depth -= 1;
  }
  return null;
}

const lineAt = (text: string, offset: number): number => text.slice(0, offset).split("\n").length;

/** What the parser stumbled over, in words. */
const SYNTAX: Record<string, string> = {
  CommaExpected: "A comma is missing before this.",
  ColonExpected: "A colon is missing after the name.",
  ValueExpected: "A value is missing here.",
  PropertyNameExpected: "A name in double quotes is missing here; a comma may be too many.",
  CloseBraceExpected: "A } is missing.",
  CloseBracketExpected: "A ] is missing.",
  EndOfFileExpected: "The file should end here.",
  InvalidCommentToken: "Comments are not allowed.",
  UnexpectedEndOfString: "The closing quote is missing.",
  InvalidNumberFormat: "That is no number.",
};

/** The path of a field as one would say it: coats 2, colours 1, share. */
const spoken = (path: readonly PropertyKey[]): string =>
  path
    .map((step) => (typeof step === "number" ? String(step + 1) : `, ${String(step)}`))
    .join(" ")
    .replace(/^, /, "")
    .replaceAll(" ,", ",");

function inWords(issue: z.core.$ZodIssue): string {
  if (issue.code === "invalid_type" && issue.message.startsWith("Invalid input"))
    return /received undefined/.test(issue.message) ? "is missing." : `must be ${issue.expected}.`;
  if (issue.code === "too_small" && issue.message.startsWith("Too small"))
    return `is too small; the least is ${issue.minimum}.`;
  if (issue.code === "too_big" && issue.message.startsWith("Too big"))
    return `is too large; the most is ${issue.maximum}.`;
  if (issue.code === "invalid_value" && issue.message.startsWith("Invalid"))
    return `must be one of ${issue.values.map((value) => String(value)).join(", ")}.`;
  if (issue.code === "invalid_format" && issue.message.startsWith("Invalid"))
    return `is not written as ${issue.format} should be.`;
  return issue.message;
}

/** The nearest thing in the file that holds what is meant: a missing field is told where its object begins. */
function nodeOf(tree: Node, path: readonly PropertyKey[]): Node {
  for (let length = path.length; length > 0; length -= 1) {
    const node = findNodeAtLocation(tree, path.slice(0, length) as (string | number)[]);
    if (node) return node;
  }
  return tree;
}

/** Reads a recipe from the text of a file; everything that is wrong is told with its line. */
export function readRecipeFile(text: string): ReadRecipe {
  if (text.length > MOST_SIGNS)
    return { ok: false, problems: [{ line: null, message: "That is far too long for a recipe." }] };
  const errors: ParseError[] = [];
  // A mark at the start of the file, as some editors leave it, is no part of it.
  const source = text.replace(/^\uFEFF/, "");
  const deep = tooDeepAt(source);
  if (deep !== null)
    return {
      ok: false,
      problems: [
        {
          line: lineAt(source, deep),
          message: "Brackets stand within brackets here, deeper than in any recipe.",
        },
      ],
    };
  const tree = parseTree(source, errors, { disallowComments: true });
  if (errors.length > 0 || !tree)
    return {
      ok: false,
      problems:
        errors.length > 0
          ? errors.slice(0, MOST_PROBLEMS).map(({ error, offset }) => ({
              line: lineAt(source, offset),
              message: SYNTAX[printParseErrorCode(error)] ?? "That cannot be read here.",
            }))
          : [{ line: null, message: "The file is empty." }],
    };
  const read = recipeFile.safeParse(JSON.parse(source));
  if (read.success) return { ok: true, file: read.data };
  return {
    ok: false,
    problems: read.error.issues.slice(0, MOST_PROBLEMS).map((issue) => ({
      line: lineAt(source, nodeOf(tree, issue.path).offset),
      message: issue.path.length > 0 ? `${spoken(issue.path)}: ${inWords(issue)}` : inWords(issue),
    })),
  };
}
