import { defineConfig } from "@playwright/test";
import { chromiumArgs, chromiumPath } from "./browser.ts";

export default defineConfig({
  testDir: "tests",
  globalSetup: "./demoOnce.config.ts",
  // Two files at a time, each with a house of its own: one alone leaves half of a machine of two cores idle.
  workers: 2,
  // On a machine that CI shares, a journey that a stall broke off is walked once more; it is listed as flaky.
  retries: process.env.CI ? 1 : 0,
  timeout: 240_000,
  expect: { timeout: 20_000 },
  reporter: [["list"], ["json"]],
  outputDir: "../test-results/files",
  use: {
    actionTimeout: 40_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: chromiumPath, args: chromiumArgs },
    trace: "off",
  },
});
