import { defineConfig } from "vitest/config";

const shared = {
  resolve: {
    tsconfigPaths: true,
    alias: { "server-only": new URL("./tests/support/nothing.ts", import.meta.url).pathname },
  },
};

export default defineConfig({
  test: {
    // The default leaves one core idle; on two cores that is half of them. Browser tests wait much: two files at once take two thirds of the time.
    maxWorkers: 2,
    projects: [
      {
        ...shared,
        test: {
          name: "unit",
          include: ["tests/**/*.test.ts"],
          exclude: ["tests/browser/**"],
          setupFiles: ["tests/support/seededProperties.ts"],
          // Refusals are what many of these tests are about; what is logged has tests of its own.
          env: { OXBOW_LOG: "silent" },
          // A guard against hanging, not a measure: machines differ threefold.
          testTimeout: 120_000,
          hookTimeout: 120_000,
          pool: "forks",
          // Nothing here keeps state between files but caches, and loading the modules anew costs a third of the time.
          isolate: false,
        },
      },
      {
        ...shared,
        test: {
          name: "browser",
          isolate: false,
          include: ["tests/browser/**/*.test.ts"],
          testTimeout: 300_000,
          hookTimeout: 300_000,
          pool: "forks",
        },
      },
    ],
  },
});
