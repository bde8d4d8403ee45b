// Reads the JSON report of jest or playwright and prints "passed failed"; with --failed what failed and why. Skipped tests count as failed: none
// is allowed.
import { readFileSync } from "node:fs";

const [file, mode] = process.argv.slice(2);
const report = JSON.parse(readFileSync(file, "utf8"));
const isJest = "numPassedTests" in report;
/** So many lines of one failure are told. */
const MOST_LINES = 30;

function counts() {
  if (isJest)
    return [
      report.numPassedTests,
      report.numFailedTests + report.numPendingTests + report.numRuntimeErrorTestSuites,
    ];
  const { expected, unexpected, flaky, skipped } = report.stats;
  return [expected + flaky, unexpected + skipped];
}

function failedOfJest() {
  return report.testResults.flatMap(({ name, status, message, assertionResults }) => {
    const bad = assertionResults.filter((one) => one.status !== "passed");
    if (bad.length === 0 && status === "failed") return [[name, message]];
    return bad.map((one) => [`${name}: ${one.fullName}`, one.failureMessages.join("\n") || one.status]);
  });
}

function failedOfPlaywright() {
  const specsOf = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsOf)];
  return report.suites.flatMap(specsOf).flatMap(({ ok, file: of, title, tests }) => {
    const results = tests.flatMap((test) => test.results);
    const skipped = results.every(({ status }) => status === "skipped");
    if (ok && !skipped) return [];
    const errors = results.flatMap((result) => result.errors ?? []).map((error) => error.message);
    return [[`${of}: ${title}`, errors.join("\n") || "skipped"]];
  });
}

if (mode === "--failed")
  for (const [what, why] of isJest ? failedOfJest() : failedOfPlaywright())
    console.log(`FAILED ${what}\n${String(why).split("\n").slice(0, MOST_LINES).join("\n")}`);
else console.log(counts().join(" "));
