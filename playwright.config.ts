import { defineConfig } from "@playwright/test";
import { shops, thisShop } from "./e2e/fixtures/shops";
import { CHROMIUM } from "./scripts/chromium";

export default defineConfig({
  testDir: "e2e",
  outputDir: "test-results",
  // Limits end what hangs; how fast it is stands in the bench.
  timeout: 300_000,
  expect: { timeout: 120_000 },
  fullyParallel: false,
  // Each worker has a shop to itself.
  workers: shops.length,
  retries: 0,
  forbidOnly: true,
  use: {
    baseURL: `http://127.0.0.1:${thisShop.port}`,
    // What is kept on a device is a journey of its own.
    serviceWorkers: "block",
    viewport: { width: 1280, height: 800 },
    trace: process.env["TRACE"] ? "retain-on-failure" : "off",
    launchOptions: CHROMIUM,
  },
  projects: [
    { name: "journeys", testMatch: "journeys/**/*.spec.ts" },
    { name: "gallery", testMatch: "gallery/**/*.spec.ts" },
    { name: "screens", testMatch: "screens/**/*.spec.ts" },
  ],
});
