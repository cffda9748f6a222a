import { defineConfig } from "vitest/config";

const shared = {
  resolve: {
    tsconfigPaths: true,
    alias: { "server-only": new URL("./tests/support/nothing.ts", import.meta.url).pathname },
  },
};

export default defineConfig({
  test: {
    projects: [
      {
        ...shared,
        test: {
          name: "unit",
          include: ["tests/**/*.test.ts"],
          exclude: ["tests/browser/**"],
          testTimeout: 30_000,
          pool: "forks",
        },
      },
      {
        ...shared,
        test: {
          name: "browser",
          include: ["tests/browser/**/*.test.ts"],
          testTimeout: 180_000,
          hookTimeout: 180_000,
          fileParallelism: false,
          pool: "forks",
        },
      },
    ],
  },
});
