/** Runs the import rules of .dependency-cruiser.cjs, and fails when it looked at nothing. */
import { execFileSync } from "node:child_process";

type Report = {
  summary: {
    error: number;
    totalCruised: number;
    violations: { from: string; to: string; rule: { name: string } }[];
  };
  modules: { source: string }[];
};

let output: string;
try {
  output = execFileSync(
    "npx",
    ["depcruise", "src", "demo", "--config", ".dependency-cruiser.cjs", "--output-type", "json"],
    {
      encoding: "utf8",
      maxBuffer: 1 << 28,
      stdio: ["ignore", "pipe", "inherit"],
    },
  );
} catch (failure) {
  output = String((failure as { stdout?: string }).stdout ?? "");
}
const report = JSON.parse(output) as Report;
const ours = report.modules.filter((module) => module.source.startsWith("src/"));
const rooms = new Set(ours.map((module) => module.source.split("/")[1]));
for (const room of ["core", "contracts", "server", "features", "ui", "app"]) {
  if (!rooms.has(room))
    throw new Error(`The import check saw no module in src/${room}: it looked at nothing.`);
}
for (const broken of report.summary.violations)
  console.error(`${broken.rule.name}: ${broken.from} -> ${broken.to}`);
console.log(`imports: ${ours.length} modules looked at, ${report.summary.violations.length} rules broken`);
process.exit(report.summary.violations.length === 0 ? 0 : 1);
