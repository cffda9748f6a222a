import { createHash } from "node:crypto";
import { readFileSync, writeFileSync } from "node:fs";
import { expect, it } from "vitest";
import { drawItem } from "@/core/items/drawItem";
import { optionTexts } from "@/core/items/optionTexts";
import { responseWords } from "@/core/items/responseWords";
import { rightResponse, tellingMistakes } from "@/core/items/telling";
import { shippedContent } from "~/demo/shippedContent";

const FILE = "tests/fixtures/pinnedDraws.json";
const SEEDS = [0, 1, 2];

/** What three seeds of every item show, in each story: no change of the engine may change what somebody was once asked. */
const draws = Object.fromEntries(
  shippedContent()
    .flatMap(({ skills }) => skills.flatMap(({ items }) => items))
    .map(({ id, body }) => {
      const version = { id: `${id}@1`, itemId: id, body };
      const shown = SEEDS.flatMap((seed) =>
        Object.keys(body.contexts).map((context) => {
          const item = drawItem(version, seed, context);
          const mistakes = tellingMistakes(item).map(({ misconceptionId, response }) => [
            misconceptionId,
            responseWords(item, response),
          ]);
          const { stem, table, hint, solution } = item;
          return [stem, table, hint, solution, optionTexts(item), responseWords(item, rightResponse(item)), mistakes];
        }),
      );
      return [id, createHash("sha256").update(JSON.stringify(shown)).digest("hex").slice(0, 24)];
    }),
);
// `PIN=1 npx vitest run --project unit tests/content/pinnedDraws.test.ts` pins what is there now.
if (process.env.PIN) writeFileSync(FILE, `${JSON.stringify(draws, null, 2)}\n`);
const pinned: Record<string, string> = JSON.parse(readFileSync(FILE, "utf8"));

it("shows what every item showed when it was pinned", () => {
  expect(draws).toEqual(pinned);
});
