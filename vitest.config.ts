import { availableParallelism } from "node:os";
import { defineConfig } from "vitest/config";

/** Nothing of these holds on to anything between files: the code is read once for all of them, which halves the time. */
const together = { isolate: false, testTimeout: 30_000, hookTimeout: 30_000 } as const;

export default defineConfig({
  test: {
    // One core would else be left idle, of two that CI has.
    maxWorkers: availableParallelism(),
    projects: [
      { test: { ...together, name: "core", include: ["core/test/**/*.test.ts", "words/test/**/*.test.ts", "contract/test/**/*.test.ts"] } },
      { test: { ...together, name: "server", include: ["server/test/**/*.test.ts", "demo/test/**/*.test.ts"] } },
      // Each file has a document of its own.
      { test: { ...together, isolate: true, name: "web", include: ["web/test/**/*.test.{ts,tsx}"] } },
    ],
  },
});
