import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const here = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** The tests that mutants are tried against: of the core, the contract and the server, but those that start processes. */
export default defineConfig({
  plugins: [
    {
      // The database's native part breaks off in the threads that the mutation tester asks for: processes hold it.
      name: "in processes",
      configureVitest: ({ project }) => {
        project.config.pool = "forks";
      },
    },
  ],
  resolve: {
    // The workspace's links lead to the code as it is, not to the copy with the mutants.
    alias: [
      { find: "@lampcrate/contract/schemas", replacement: here("contract/src/schemas/index.ts") },
      { find: "@lampcrate/contract", replacement: here("contract/src/index.ts") },
      { find: "@lampcrate/core", replacement: here("core/src/index.ts") },
    ],
  },
  test: {
    include: ["core/test/**/*.test.ts", "contract/test/**/*.test.ts", "server/test/**/*.test.ts"],
    exclude: ["**/adversary.test.ts", "**/folder.test.ts", "**/serve.test.ts", "**/upkeep.test.ts", "**/node_modules/**"],
    // The same draws for every mutant: what a property test finds must not hang on chance.
    setupFiles: [here("scripts/mutants/seeded.ts")],
    testTimeout: 30_000,
    hookTimeout: 30_000,
  },
});
