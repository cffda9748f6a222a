import { IntlMessageFormat } from "intl-messageformat";

export type MessageValues = Readonly<Record<string, string | number>>;

const LANGUAGE = "en";
/** Messages as read: reading one takes longer than filling it in. There are as many as our own pages have. */
const known = new Map<string, IntlMessageFormat>();

/** An ICU message with values in its places. */
export function message(text: string, values: MessageValues = {}): string {
  const format = known.get(text) ?? new IntlMessageFormat(text, LANGUAGE);
  known.set(text, format);
  return String(format.format({ ...values }));
}

const lists = new Intl.ListFormat(LANGUAGE, { type: "unit", style: "short" });

/** Several things in one sentence: "Ada, Ben, Cem". */
export const listOf = (parts: readonly string[]): string => lists.format(parts);

type Piece = ReturnType<IntlMessageFormat["getAst"]>[number];

/**
 * Facts as values of a message: lists joined, yes and no as words to choose by, and for each fact whether it is given
 * (`nameGiven` of `name`). Facts that are neither texts, numbers nor lists of them have no value of their own.
 */
export function valuesOf(facts: object): Record<string, string | number> {
  const values: Record<string, string | number> = {};
  for (const [name, value] of Object.entries(facts) as [string, unknown][]) {
    values[`${name}Given`] = value === null || value === "" ? "no" : "yes";
    if (typeof value === "number" || typeof value === "string") values[name] = value;
    else if (typeof value === "boolean") values[name] = value ? "yes" : "no";
    else values[name] = Array.isArray(value) ? listOf(value.map(String)) : "";
  }
  return values;
}

/** The words of a message without its values, for finding what it may say. */
export const bareWords = (text: string): string =>
  new IntlMessageFormat(text, LANGUAGE).getAst().map(literalOf).join(" ").toLowerCase();

function literalOf(piece: Piece): string {
  if ("options" in piece)
    return Object.values(piece.options)
      .flatMap(({ value }) => value.map(literalOf))
      .join(" ");
  // A piece without a style or options of its own is either text or the place of a value; only text has a length here.
  return piece.type === LITERAL ? piece.value : "";
}
const LITERAL = 0;
