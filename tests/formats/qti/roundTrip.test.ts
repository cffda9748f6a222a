import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { drawItem } from "@/core/items/drawItem";
import { ITEM_KINDS } from "@/core/items/itemKind";
import type { ExchangeItem } from "@/formats/exchange/exchangeItem";
import { readItem } from "@/formats/qti/readItem";
import { writeItem } from "@/formats/qti/writeItem";
import { presentNames } from "@/formats/qti/xml/presentNames";
import { readXml } from "@/formats/qti/xml/readXml";
import { writeXml } from "@/formats/qti/xml/writeXml";
import { plainItem } from "../../support/plainItems";

/** Written, put into letters, and read again: the document alone, nothing beside it. */
function thereAndBack(item: ExchangeItem) {
  const drawn = drawItem({ id: item.id, itemId: item.id, body: item.body }, 1);
  const document = readXml(new TextEncoder().encode(writeXml(writeItem(item, drawn).root)));
  if (!document.ok) throw new Error(`${document.code} at ${document.line}:${document.column}`);
  return readItem(presentNames(document.root));
}

describe("an item that says everything itself comes back from its document as it was", () => {
  for (const kind of ITEM_KINDS)
    it(kind, () => {
      fc.assert(
        fc.property(plainItem([kind]), (item) => {
          expect(thereAndBack(item)).toEqual({ item, remarks: [] });
        }),
        { numRuns: 60, seed: 7 },
      );
    });
  it("several parts under one stem", () => {
    const kinds = fc.sample(fc.shuffledSubarray([...ITEM_KINDS], { minLength: 3, maxLength: 5 }), {
      numRuns: 12,
      seed: 3,
    });
    for (const some of kinds)
      fc.assert(
        fc.property(plainItem(some), (item) => {
          expect(thereAndBack(item)).toEqual({ item, remarks: [] });
        }),
        { numRuns: 5, seed: 5 },
      );
  });
});
