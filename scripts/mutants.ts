/**
 * Breaks the core on purpose, one small place at a time, and sees whether a test notices: npm run mutants [-- options]
 *   --rooms batch,plan   which rooms of src/core; --files PART  only files whose path holds this
 *   --sample 400         so many of all mutants, by --seed; --all  every one
 * Ends with the share that was killed, and each survivor with its place. A mutant that runs out of time counts as killed.
 */
import { execFile } from "node:child_process";
import { readFileSync, readdirSync } from "node:fs";
import { availableParallelism } from "node:os";
import path from "node:path";
import { parseArgs } from "node:util";
import pLimit from "p-limit";
import ts from "typescript";
import { seeded } from "@/core/numerics/random";

type Mutant = { file: string; from: number; to: number; text: string; line: number; was: string };

const { values } = parseArgs({
  options: {
    rooms: { type: "string", default: "batch,schedule,plan,pour,advice" },
    files: { type: "string", default: "" },
    sample: { type: "string", default: "400" },
    seed: { type: "string", default: "1" },
    all: { type: "boolean", default: false },
  },
});

/** A mutant's tests may take at least this long, and so many times what all of them take; a loop that never ends is cut off. */
const LEAST_PATIENCE_MS = 120_000;
const PATIENCE = 4;

const OTHER_OPERATOR: Partial<Record<ts.SyntaxKind, string>> = {
  [ts.SyntaxKind.PlusToken]: "-",
  [ts.SyntaxKind.MinusToken]: "+",
  [ts.SyntaxKind.AsteriskToken]: "/",
  [ts.SyntaxKind.SlashToken]: "*",
  [ts.SyntaxKind.LessThanToken]: ">=",
  [ts.SyntaxKind.LessThanEqualsToken]: ">",
  [ts.SyntaxKind.GreaterThanToken]: "<=",
  [ts.SyntaxKind.GreaterThanEqualsToken]: "<",
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: "!==",
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: "===",
  [ts.SyntaxKind.AmpersandAmpersandToken]: "||",
  [ts.SyntaxKind.BarBarToken]: "&&",
  [ts.SyntaxKind.PlusEqualsToken]: "-=",
};
const OTHER_CALL: Record<string, string> = {
  min: "max",
  max: "min",
  floor: "ceil",
  ceil: "floor",
  some: "every",
  every: "some",
};

/** All small breaks of a file. */
function mutantsOf(file: string): Mutant[] {
  const text = readFileSync(file, "utf8");
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true);
  const found: Mutant[] = [];
  const put = (node: ts.Node, replacement: string) => {
    const [from, to] = [node.getStart(source), node.getEnd()];
    const line = source.getLineAndCharacterOfPosition(from).line + 1;
    found.push({ file, from, to, text: replacement, line, was: text.slice(from, to) });
  };
  const visit = (node: ts.Node): void => {
    // Types say nothing at run time.
    if (ts.isTypeNode(node) || ts.isTypeAliasDeclaration(node) || ts.isImportDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const other = OTHER_OPERATOR[node.operatorToken.kind];
      // Words that are joined are no sums.
      const words =
        node.operatorToken.kind === ts.SyntaxKind.PlusToken &&
        [node.left, node.right].some((side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side));
      if (other && !words) put(node.operatorToken, other);
      if (node.operatorToken.kind === ts.SyntaxKind.QuestionQuestionToken)
        put(node, node.left.getText(source));
    }
    // A tolerance of rounding may be half as large again and nobody sees it.
    if (ts.isNumericLiteral(node) && (node.text === "0" || Number(node.text) > 1e-6))
      put(node, node.text === "0" ? "1" : `(${node.text} * 1.37)`);
    if (node.kind === ts.SyntaxKind.TrueKeyword) put(node, "false");
    if (node.kind === ts.SyntaxKind.FalseKeyword) put(node, "true");
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      put(node, node.operand.getText(source));
    if (ts.isConditionalExpression(node)) {
      put(node.condition, "true");
      put(node.condition, "false");
    }
    if (ts.isIfStatement(node)) {
      put(node.expression, "true");
      put(node.expression, "false");
    }
    if (ts.isCallExpression(node) && ts.isPropertyAccessExpression(node.expression)) {
      const { name } = node.expression;
      const other = OTHER_CALL[name.text];
      if (other) put(name, other);
      if (name.text === "filter") put(node, node.expression.expression.getText(source));
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

const filesOf = (room: string): string[] =>
  readdirSync(`src/core/${room}`, { recursive: true, encoding: "utf8" })
    .filter((name) => name.endsWith(".ts") && !name.endsWith(".test.ts") && !name.includes("testing/"))
    .map((name) => path.join(`src/core/${room}`, name));

/** Tests of these rooms and of those that stand on them; tests further up are slow and see little of it. */
const TEST_ROOMS = ["film", "passes", "job", "shop", "recipe", ...values.rooms.split(",")];
const TESTS = TEST_ROOMS.flatMap((room) => testsIn(`src/core/${room}`));

function testsIn(folder: string): string[] {
  return readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((name) => name.endsWith(".test.ts"))
    .map((name) => path.join(folder, name));
}

/** The tests that are tried on a file, the nearest first: its own, those of its room, all others. */
function testsOf(file: string): string[] {
  const base = path.basename(file, ".ts");
  const rank = (test: string) =>
    path.basename(test, ".test.ts") === base ? 0 : path.dirname(test) === path.dirname(file) ? 1 : 2;
  return [...TESTS].sort((a, b) => rank(a) - rank(b) || a.localeCompare(b));
}

/** Whether all tests pass: with a mutant, or as the code is. */
const passes = (tests: readonly string[], mutant: Mutant | null, patienceMs?: number): Promise<boolean> =>
  new Promise((resolve) => {
    const child = execFile(
      process.execPath,
      [
        "node_modules/.bin/jest",
        "--selectProjects",
        "core",
        "--runInBand",
        "--bail",
        "--silent",
        "--runTestsByPath",
        ...tests,
      ],
      {
        env: { ...process.env, ...(mutant ? { GAUGEBEAM_MUTANT: JSON.stringify(mutant) } : {}) },
        timeout: patienceMs,
        killSignal: "SIGKILL",
        maxBuffer: 1 << 28,
      },
      (failure) => resolve(failure === null),
    );
    child.stdin?.end();
  });

async function main(): Promise<void> {
  const files = values.rooms
    .split(",")
    .flatMap(filesOf)
    .filter((file) => file.includes(values.files));
  const every = files.flatMap(mutantsOf);
  const random = seeded(Number(values.seed));
  const chosen = values.all
    ? every
    : every
        .map((mutant) => ({ mutant, at: random() }))
        .sort((a, b) => a.at - b.at)
        .slice(0, Number(values.sample))
        .map(({ mutant }) => mutant);
  console.log(`${every.length} mutants in ${files.length} files; ${chosen.length} are tried`);
  // Tests that fail anyhow would kill everything.
  const began = performance.now();
  if (!(await passes(TESTS, null))) throw new Error("The tests do not pass as the code is: mend them first.");
  const patienceMs = Math.ceil(Math.max(LEAST_PATIENCE_MS, PATIENCE * (performance.now() - began)));
  const survivors: Mutant[] = [];
  let done = 0;
  const lane = pLimit(availableParallelism());
  await Promise.all(
    chosen.map((mutant) =>
      lane(async () => {
        const all = testsOf(mutant.file);
        const near = all.filter((test) => path.dirname(test) === path.dirname(mutant.file));
        const far = all.filter((test) => !near.includes(test));
        const survives =
          (near.length === 0 || (await passes(near, mutant, patienceMs))) &&
          (far.length === 0 || (await passes(far, mutant, patienceMs)));
        if (survives) {
          survivors.push(mutant);
          console.log(`  survives: ${mutant.file}:${mutant.line}  ${mutant.was}  ->  ${mutant.text}`);
        }
        done += 1;
        if (done % 25 === 0) console.log(`${done} of ${chosen.length}, ${survivors.length} survive`);
      }),
    ),
  );
  const killed = chosen.length - survivors.length;
  console.log(
    `mutants: ${killed} of ${chosen.length} killed (${((100 * killed) / chosen.length).toFixed(1)} %)`,
  );
}

void main();
