import { readdirSync, readFileSync, statSync } from "node:fs";
import { basename, join } from "node:path";
import { expect, it } from "vitest";

const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : [path];
  });
const code = (path: string) => readFileSync(path, "utf8").replace(/\/\*[\s\S]*?\*\/|\/\/.*$/gm, "");

it("the core reads no clock and no chance", () => {
  for (const path of files("src/core"))
    expect(code(path), path).not.toMatch(/Math\.random|Date\.now|new Date\b|process\.|globalThis|fetch\(/);
});

it("only one file reads the process environment", () => {
  const readers = files("src").filter(
    (path) => /\.tsx?$/.test(path) && /process\.env(?!\.NEXT_RUNTIME)/.test(code(path)),
  );
  expect(readers).toEqual(["src/server/runtime/environment.ts"]);
});

it("no folder has a barrel", () => {
  expect(files("src").filter((path) => /^index\.tsx?$/.test(basename(path)))).toEqual([]);
});

it("files stay short", () => {
  for (const path of files("src").filter((name) => /\.tsx?$/.test(name))) {
    expect(readFileSync(path, "utf8").split("\n").length, path).toBeLessThanOrEqual(
      path.startsWith("src/core") ? 260 : 340,
    );
  }
});

it("every file of the server side says so", () => {
  const serverOnly = files("src").filter(
    (path) => /^src\/(server|db)\/|\/(reads|entry)\.ts$|\/writes/.test(path) && path.endsWith(".ts"),
  );
  const exempt = /schema\/|policy\.ts$|refusal\.ts$|undoAction\.ts$|openAction\.ts$/;
  for (const path of serverOnly.filter((name) => !exempt.test(name)))
    expect(readFileSync(path, "utf8"), path).toMatch(/^import "server-only";/);
});
