import { build } from "esbuild";
import { chromium } from "@playwright/test";
import { CHROMIUM } from "../scripts/chromium";
import { PEER, PLAN } from "./tasks";

/** Runs the tasks in headless Chromium, where the plan is recomputed for real, and prints medians and the ratio to the peer. */
async function run(): Promise<void> {
  const bundle = await build({
    entryPoints: ["bench/tasks.ts"],
    bundle: true,
    write: false,
    format: "iife",
    globalName: "bench",
    target: "es2022",
    minify: true,
    tsconfig: "tsconfig.json",
  });
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage();
  await page.addScriptTag({ content: bundle.outputFiles[0]?.text ?? "" });
  const medians = (await page.evaluate("bench.medians()")) as [string, number][];
  await browser.close();
  for (const [name, ms] of medians) console.log(`${name.padEnd(50)} ${ms.toFixed(4)} ms median`);
  const of = (name: string) => medians.find(([one]) => one === name)?.[1] ?? NaN;
  console.log(
    `\nThe plan takes ${(of(PLAN) / of(PEER)).toFixed(1)} times a JSON round trip of its document. The bar is 4 ms: ${of(PLAN) < 4 ? "kept" : "MISSED"}.`,
  );
  process.exitCode = of(PLAN) < 4 ? 0 : 1;
}

void run();
