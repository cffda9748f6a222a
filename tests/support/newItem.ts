import type { ItemBody, PartBody } from "@/core/items/itemBody";
import { putItemVersion } from "@/db/queries/content";
import type { TestSchool } from "./school";

export const bodyWith = (...parts: PartBody[]): ItemBody => ({
  parameters: { n: { from: 2, to: 9 } },
  stem: "About {n}.",
  contexts: { plain: {} },
  difficultyOffset: "0",
  hint: "Think of {n}.",
  solution: "It is {n}.",
  parts,
});

export const chooseAll: PartBody = {
  id: "a",
  kind: "multiple-choice",
  option: "{x}",
  right: "mod(x, n) == 0",
  options: [
    { id: "once", values: { x: "n" } },
    { id: "twice", values: { x: "2 * n" } },
    { id: "more", values: { x: "2 * n + 1" }, misconceptionId: "added-instead-of-scaled" },
    { id: "less", values: { x: "n - 1" } },
  ],
};
export const writeWord: PartBody = {
  id: "b",
  kind: "short-text",
  prompt: "What is it called?",
  accepted: ["ratio"],
  misconceptions: [{ id: "compared-by-difference", text: "difference" }],
  ignoreCase: true,
  ignoreSpacing: true,
  ignoreAccents: true,
  ignorePunctuation: true,
  spelling: "lenient",
};

/** Puts an item of the test's own into the library, or a new version of it. */
export async function putItem(
  school: TestSchool,
  id: string,
  body: ItemBody,
  { skillId = "ratio-language", number = 1 }: { readonly skillId?: string; readonly number?: number } = {},
): Promise<void> {
  await school.db.write((tx) =>
    putItemVersion(tx, {
      itemId: id,
      skillIds: [skillId],
      version: {
        id: `${id}@${number}`,
        itemId: id,
        number,
        body,
        status: "ready",
        contentHash: `${id}${number}`,
        createdAt: school.runtime.now(),
      },
    }),
  );
}
