import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { expect, it } from "vitest";
import { ITEM_KINDS } from "@/core/items/itemKind";
import { WORK_KINDS } from "@/core/model/work";

const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : [path];
  });
const code = (path: string) => readFileSync(path, "utf8").replace(/\/\*[\s\S]*?\*\/|\/\/.*$/gm, "");
const sources = [...files("src"), ...files("demo")].filter((path) => /\.tsx?$/.test(path));

/** Other things have kinds of their own, some under the same word: nodes of algebra, how somebody signs in, and rules of an end. */
const OTHER_KINDS =
  /^src\/(core\/(answers\/|work\/endOfSkill|work\/endRule)|server\/access\/|features\/(access|roster)\/)/;
const kinds = [...ITEM_KINDS, ...WORK_KINDS].join("|");
/** Comparing something called a kind with one of them, either way round, or switching over a kind with such cases. */
const ASKS = new RegExp(
  `kind\\s*[=!]==?\\s*["'](?:${kinds})["']|["'](?:${kinds})["']\\s*[=!]==?\\s*\\w*\\.?kind|switch \\([^)]*kind\\)[\\s\\S]*?case ["'](?:${kinds})["']`,
);

it("nothing asks for a kind of item or of work by name: rooms and conductors know, registries lead there", () => {
  expect(sources.filter((path) => !OTHER_KINDS.test(path) && ASKS.test(code(path)))).toEqual([]);
  for (const asking of ['work.kind === "check"', '"number" !== kind', 'switch (part.kind) {\n case "short-text":'])
    expect(asking).toMatch(ASKS);
});

it("each registry names every kind, and the rooms of the core and of the screen stand side by side", () => {
  for (const registry of [
    "src/core/items/rooms.ts",
    "src/core/items/itemBodySchema.ts",
    "src/features/delivery/view/items/controls.ts",
  ])
    for (const kind of ITEM_KINDS) expect(code(registry), `${registry} ${kind}`).toMatch(new RegExp(`"?${kind}"?:`));
  const rooms = readdirSync("src/core/items").filter((name) => statSync(join("src/core/items", name)).isDirectory());
  expect(rooms).toHaveLength(ITEM_KINDS.length);
  // Beside these a room may have helpers of its own.
  for (const room of rooms)
    expect(readdirSync(join("src/core/items", room))).toEqual(
      expect.arrayContaining(["body.ts", "check.ts", "draw.ts", "responseWords.ts", "room.ts"]),
    );
  for (const kind of WORK_KINDS)
    expect(files("src/core/work/conductors")).toContain(`src/core/work/conductors/${kind}.ts`);
});
