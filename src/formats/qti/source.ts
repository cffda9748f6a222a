import type { ItemBody } from "@/core/items/itemBody";

/**
 * What an item is in full, beside a document that can hold one draw of it only: ranges of its numbers, conditions, stories. It goes for the
 * document as it was written; where another program changed that, the document goes first.
 */
interface ItemSource {
  readonly body: ItemBody;
  /** What reading the document gave when it was written; null where that gave nothing. */
  readonly document: ItemBody | null;
}

/** The file beside a document; null where the document says all. */
export function sourceText(body: ItemBody, document: ItemBody | null): string | null {
  return sameContent(body, document) ? null : `${JSON.stringify({ body, document } satisfies ItemSource, null, 2)}\n`;
}

/** The body in full, where the document says what it did; "changed" where it does not, null for what is no such file. */
export function bodyOfSource(text: string, document: ItemBody | null): ItemBody | "changed" | null {
  try {
    const source = JSON.parse(text) as Partial<ItemSource> | null;
    if (typeof source !== "object" || source === null || typeof source.body !== "object" || source.body === null)
      return null;
    return sameContent(source.document, document) ? source.body : "changed";
  } catch {
    return null;
  }
}

/**
 * Whether two values of plain data say the same, in whatever order of names.
 * @example sameContent({ a: 1, b: undefined }, { a: 1 }) // true
 */
export const sameContent = (one: unknown, other: unknown): boolean => canonical(one) === canonical(other);

const canonical = (value: unknown): string =>
  JSON.stringify(value, (_, own: unknown) =>
    typeof own === "object" && own !== null && !Array.isArray(own)
      ? Object.fromEntries(Object.entries(own).sort(([x], [y]) => (x < y ? -1 : 1)))
      : own,
  ) ?? "";
