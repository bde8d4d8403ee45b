// Reads the JSON report of jest or playwright and prints "passed failed". Skipped tests count as failed: none is allowed.
import { readFileSync } from "node:fs";

const report = JSON.parse(readFileSync(process.argv[2], "utf8"));
if ("numPassedTests" in report) {
  console.log(
    `${report.numPassedTests} ${report.numFailedTests + report.numPendingTests + report.numRuntimeErrorTestSuites}`,
  );
} else {
  const { expected, unexpected, flaky, skipped } = report.stats;
  console.log(`${expected + flaky} ${unexpected + skipped}`);
}
