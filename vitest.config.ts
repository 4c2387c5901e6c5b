import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: [
      "core/test/**/*.test.ts",
      "contract/test/**/*.test.ts",
      "server/test/**/*.test.ts",
      "demo/test/**/*.test.ts",
      "web/test/**/*.test.{ts,tsx}",
    ],
    testTimeout: 30_000,
    hookTimeout: 30_000,
  },
});
