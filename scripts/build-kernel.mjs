/** Builds /kernel into src/core/pattern/engine/kernel-bytes.ts; with --check only says whether that is what stands there. */
import { readFileSync, writeFileSync } from "node:fs";
import asc from "assemblyscript/asc";

const INTO = new URL("../src/core/pattern/engine/kernel-bytes.ts", import.meta.url);

let built = null;
const { error, stderr } = await asc.main(
  [
    ..."kernel/index.ts --outFile kernel.wasm --enable simd --runtime stub --noAssert -O3".split(" "),
    ..."--initialMemory 32 --disableWarning 112".split(" "),
    // Names in profiles: KERNEL_NAMES=1 npm run kernel, and never committed.
    ...(process.env.KERNEL_NAMES ? ["--debug"] : []),
  ],
  { writeFile: (_name, bytes) => (built = bytes) },
);
if (error || !built) {
  console.error(String(stderr));
  process.exit(1);
}
const text = `/** The kernel of /kernel as WebAssembly, in base64. Built by \`npm run kernel\`: never changed by hand. */
export const KERNEL =
  "${Buffer.from(built).toString("base64")}";
`;
if (process.argv.includes("--check")) {
  const same = readFileSync(INTO, "utf8") === text;
  console.log(
    same
      ? "the kernel is what stands in /kernel"
      : "the kernel is not what stands in /kernel: npm run kernel",
  );
  process.exit(same ? 0 : 1);
}
writeFileSync(INTO, text);
console.log(`kernel: ${built.length} bytes`);
