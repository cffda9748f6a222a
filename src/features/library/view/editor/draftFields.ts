import type { ItemBody, ItemImage, ParameterSpec } from "@/core/items/itemBody";

/** An item as the form holds it: lists in place of records, so that names can be typed; everything else as the body has it. */
export interface DraftFields {
  readonly stem: string;
  readonly hint: string;
  readonly solution: string;
  readonly difficultyOffset: string;
  readonly parameters: readonly ParameterField[];
  readonly where: readonly { readonly text: string }[];
  readonly derived: readonly { readonly name: string; readonly text: string }[];
  readonly stories: readonly { readonly name: string; readonly words: string }[];
  readonly images: readonly ItemImage[];
  readonly parts: readonly PartFields[];
  readonly depth: string;
  readonly calculator: boolean;
  readonly language: string;
  readonly skillIds: readonly string[];
  readonly standardIds: readonly string[];
  /** Empty for none. */
  readonly passageId: string;
}

export interface ParameterField {
  readonly name: string;
  /** "3 to 60", "3 to 60 by 3" or "4, 6, 8". */
  readonly range: string;
}
export type PartFields = { readonly id: string; readonly kind: string } & Readonly<Record<string, unknown>>;

const RANGE = /^\s*(-?[\d.]+)\s*(?:to|…|\.\.)\s*(-?[\d.]+)(?:\s*by\s*([\d.]+))?\s*$/;

/**
 * A range as it was typed; null when it is none.
 * @example readRange("3 to 60 by 3") // { from: 3, to: 60, step: 3 }
 */
export function readRange(text: string): ParameterSpec | null {
  const match = RANGE.exec(text);
  if (match) {
    const [from, to, step] = [match[1], match[2], match[3]].map((part) =>
      part === undefined ? undefined : Number(part),
    );
    if (from === undefined || to === undefined || !Number.isFinite(from + to) || to < from) return null;
    if (step !== undefined && !(step > 0)) return null;
    return { from, to, ...(step === undefined ? {} : { step }) };
  }
  const of = text.split(/[,;]/).map((part) => part.trim());
  return of.length > 0 && of.every((part) => /^-?\d+(\.\d+)?$/.test(part)) ? { of: of.map(Number) } : null;
}

export const writeRange = (spec: ParameterSpec): string =>
  "of" in spec
    ? spec.of.join(", ")
    : `${spec.from} to ${spec.to}${spec.step === undefined || spec.step === 1 ? "" : ` by ${spec.step}`}`;

const writeWords = (words: Readonly<Record<string, string>>): string =>
  Object.entries(words)
    .map(([name, text]) => `${name} = ${text}`)
    .join("\n");

/** Lines "name = text" as a record; what is no such line is left out. */
export function readWords(text: string): Record<string, string> {
  const words: Record<string, string> = {};
  for (const line of text.split("\n")) {
    const [name, ...rest] = line.split("=");
    if (name?.trim() && rest.length > 0) words[name.trim()] = rest.join("=").trim();
  }
  return words;
}

export function fieldsOf(
  body: ItemBody,
  facts: Pick<DraftFields, "calculator" | "language" | "skillIds" | "standardIds"> & {
    readonly depth: number | null;
    readonly passageId: string | null;
  },
): DraftFields {
  return {
    stem: body.stem,
    hint: body.hint,
    solution: body.solution,
    difficultyOffset: body.difficultyOffset,
    parameters: Object.entries(body.parameters).map(([name, spec]) => ({ name, range: writeRange(spec) })),
    where: (body.where ?? []).map((text) => ({ text })),
    derived: Object.entries(body.derived ?? {}).map(([name, text]) => ({ name, text })),
    stories: Object.entries(body.contexts).map(([name, words]) => ({ name, words: writeWords(words) })),
    images: body.images ?? [],
    parts: (body.parts as unknown as PartFields[]).map((part) =>
      part.right === `x == ${part.answer}` ? { ...part, right: "" } : part,
    ),
    ...facts,
    passageId: facts.passageId ?? "",
    depth: facts.depth === null ? "" : String(facts.depth),
  };
}

/** What the form says as a body; `before` has what the form does not show, such as a table. Ranges that can't be read are faults. */
export function bodyOf(
  fields: DraftFields,
  before: ItemBody,
): { readonly body: ItemBody; readonly unreadRanges: string[] } {
  const unreadRanges: string[] = [];
  const parameters: Record<string, ParameterSpec> = {};
  for (const { name, range } of fields.parameters) {
    if (name.trim() === "" && range.trim() === "") continue;
    const spec = readRange(range);
    if (spec && /^[\p{L}]\w*$/u.test(name.trim())) parameters[name.trim()] = spec;
    else unreadRanges.push(name.trim() || range);
  }
  const where = fields.where.map(({ text }) => text.trim()).filter((text) => text !== "");
  const derived = fields.derived.filter(({ name, text }) => name.trim() !== "" && text.trim() !== "");
  const stories = fields.stories.map(({ name, words }, place) => [
    name.trim() || `story${place + 1}`,
    readWords(words),
  ]);
  const { where: _, derived: __, images: ___, ...rest } = before;
  return {
    unreadRanges,
    body: {
      ...rest,
      stem: fields.stem,
      hint: fields.hint,
      solution: fields.solution,
      difficultyOffset: fields.difficultyOffset || "0",
      parameters,
      ...(fields.images.length > 0 ? { images: fields.images.map(({ picture, alt }) => ({ picture, alt })) } : {}),
      ...(where.length > 0 ? { where } : {}),
      ...(derived.length > 0
        ? { derived: Object.fromEntries(derived.map(({ name, text }) => [name.trim(), text])) }
        : {}),
      contexts: stories.length > 0 ? Object.fromEntries(stories) : { plain: {} },
      parts: fields.parts.map(tidyPart) as unknown as ItemBody["parts"],
    },
  };
}

/** A part without what was left empty, and with the condition that goes without saying. */
function tidyPart(part: PartFields): PartFields {
  const tidy: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(part)) {
    const kept = tidyValue(value);
    if (kept !== undefined && !(OPTIONAL.has(name) && (kept === "" || kept === false))) tidy[name] = kept;
  }
  const unit = tidy.unit as { word?: string; required?: boolean } | undefined;
  if (unit && !unit.word) delete tidy.unit;
  else if (unit) tidy.unit = { word: unit.word, required: unit.required === true };
  if (tidy.right === "" && typeof tidy.answer === "string" && tidy.answer.trim() !== "" && "misconceptions" in tidy)
    tidy.right = `x == ${tidy.answer}`;
  return tidy as PartFields;
}

/** Names that a body leaves out where nothing was filled in. */
const OPTIONAL = new Set(["prompt", "tolerance", "anyRight", "labelEvery", "columns", "points", "misconceptionId"]);

function tidyValue(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(tidyValue);
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).flatMap(([name, own]) => {
      const kept = tidyValue(own);
      return kept === undefined || (OPTIONAL.has(name) && kept === "") ? [] : [[name, kept]];
    }),
  );
}
