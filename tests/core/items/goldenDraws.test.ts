import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { drawItem } from "@/core/items/drawItem";
import { optionTexts } from "@/core/items/optionTexts";
import { responseWords } from "@/core/items/responseWords";
import { tellingMistakes } from "@/core/items/telling";
import { shippedContent } from "~/demo/shippedContent";

/** What each item showed for its first 60 seeds when answers to it were given; told by the version that showed it. */
const golden: Record<string, { sha256: string; first: unknown }> = JSON.parse(
  readFileSync("tests/fixtures/goldenDraws.json", "utf8"),
);

it.each(Object.keys(golden))("%s shows what it showed to those who answered it", (itemId) => {
  const item = shippedContent()
    .flatMap(({ skills }) => skills.flatMap(({ items }) => items))
    .find(({ id }) => id === itemId);
  if (!item) throw new Error(`${itemId} ships no more; keep its body for this test.`);
  const version = { id: `${itemId}@1`, itemId, body: item.body };
  const draws = Array.from({ length: 60 }, (_, seed) =>
    Object.keys(item.body.contexts).map((context) => {
      const drawn = drawItem(version, seed, context);
      const options = optionTexts(drawn);
      const mistakes = tellingMistakes(drawn).map(({ response }) => responseWords(drawn, response).join("; "));
      const values = mistakes.map((words) => fractionIn(words, drawn.parts[0]?.drawn as { unit?: { word: string } }));
      return [seed, context, drawn.stem, drawn.parts[0]?.keyText, options, options.length > 0 ? [] : values];
    }),
  ).flat();
  expect(draws[0]).toEqual(golden[itemId]?.first);
  expect(createHash("sha256").update(JSON.stringify(draws)).digest("hex")).toBe(golden[itemId]?.sha256);
});

/** A mixed number as one fraction, without its unit. */
function fractionIn(words: string, { unit }: { readonly unit?: { readonly word: string } | null }): string {
  const text = unit ? words.replace(` ${unit.word}`, "") : words;
  const [, whole, top, bottom] = /^(\d+) (\d+)\/(\d+)$/.exec(text) ?? [];
  return whole ? `${Number(whole) * Number(bottom) + Number(top)}/${bottom}` : text;
}
