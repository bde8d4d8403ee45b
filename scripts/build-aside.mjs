// Bundles the thread that works aside of the server (src/app/aside) next to Next's own build; packages stay where they are.
import { build } from "esbuild";
import { join } from "node:path";

await build({
  entryPoints: ["src/app/aside/worker.ts"],
  outfile: process.argv[2] ?? join(process.env.GAUGEBEAM_DIST ?? ".next", "aside.mjs"),
  bundle: true,
  platform: "node",
  format: "esm",
  target: "node20",
  packages: "external",
  alias: { "@": "./src" },
  jsx: "automatic",
  external: ["server-only"],
  logLevel: "warning",
});
