// Bundles the service worker next to Next's own build, with the list of all files of that build: they open without the server.
import { build } from "esbuild";
import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";

const folder = process.env.GAUGEBEAM_DIST ?? ".next";
const buildId = readFileSync(join(folder, "BUILD_ID"), "utf8").trim();
const files = readdirSync(join(folder, "static"), { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isFile() && !entry.name.endsWith(".map"))
  .map((entry) => join(entry.parentPath, entry.name).slice(folder.length))
  // Next names files after what is in them.
  .map((path) => ({ url: encodeURI(`/_next${path}`), revision: null }));
if (files.length < 20) throw new Error(`Only ${files.length} files in ${folder}/static: build it first.`);

// Pages that ask the server for nothing.
const PAGES = ["/kept", "/pours/here"];

await build({
  entryPoints: ["src/offline/service-worker.ts"],
  outfile: join(folder, "service-worker.js"),
  bundle: true,
  minify: true,
  format: "iife",
  target: "es2022",
  alias: { "@": "./src" },
  define: {
    BUILD_FILES: JSON.stringify([...files, ...PAGES.map((url) => ({ url, revision: buildId }))]),
    "process.env.NODE_ENV": '"production"',
  },
  logLevel: "warning",
});
