import { createHash } from "node:crypto";
import path from "node:path";
import { createTransformer } from "@swc/jest";

/**
 * Jest runs each test file in a context of its own, where every look at a global is slow: eight times for a loop of Math.exp. Each module
 * therefore looks once. Only names that nothing replaces in a test and no module declares itself.
 */
const GLOBALS = [
  "Math",
  "Float64Array",
  "Float32Array",
  "Int32Array",
  "Uint8Array",
  "Uint8ClampedArray",
  "Infinity",
  "NaN",
];
const HEAD = `const { ${GLOBALS.join(", ")} } = globalThis; `;

const swc = createTransformer({
  jsc: {
    target: "es2022",
    parser: { syntax: "typescript", tsx: true },
    transform: { react: { runtime: "automatic" } },
  },
});

/** One place of one file that is written otherwise, from scripts/mutants.ts; null in any other run. */
const mutant = process.env.GAUGEBEAM_MUTANT ? JSON.parse(process.env.GAUGEBEAM_MUTANT) : null;

const mutated = (source, file) =>
  mutant && path.resolve(mutant.file) === file
    ? source.slice(0, mutant.from) + mutant.text + source.slice(mutant.to)
    : source;
const isOurs = (file) => !file.includes("node_modules");
const asRun = (source, file) => (isOurs(file) ? HEAD + mutated(source, file) : source);

const transform = {
  canInstrument: false,
  process: (source, file, options) => swc.process(asRun(source, file), file, options),
  getCacheKey: (source, file, options) =>
    createHash("sha1")
      .update(HEAD)
      .update(swc.getCacheKey(isOurs(file) ? mutated(source, file) : source, file, options))
      .digest("hex"),
};

export default transform;
