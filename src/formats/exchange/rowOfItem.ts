import type { ItemBody } from "@/core/items/itemBody";
import { answerCells } from "./answerCells";
import { filledBraces } from "./braces";
import type { ExchangeItem } from "./exchangeItem";
import type { ItemCells } from "./itemCells";

/**
 * An item as a row; null where a row can't say all of it: several parts, numbers that are drawn, tables and pictures, kinds other than choices,
 * numbers and texts, or more to a number or a text than its key.
 */
export function rowOfItem({
  id,
  body,
  depth,
  calculator,
  language,
  skillIds,
  standards,
  passage,
}: ExchangeItem): ItemCells | null {
  const [part] = body.parts;
  const own = part && passage === null && isPlain(body) ? answerCells(part) : null;
  if (!own) return null;
  const filled = (text: string) => filledBraces(text);
  return {
    id,
    question: filled(body.stem),
    kind: own.kind,
    answer: filled(own.answers.join("\n")),
    wrong: own.wrong.map(({ text, mistake }) => ({ text: filled(text), mistake })),
    unit: own.unit ?? "",
    tolerance: own.tolerance ?? "",
    hint: filled(body.hint),
    explanation: filled(body.solution),
    skill: skillIds.join("; "),
    standards: standards.map(({ code }) => code).join("; "),
    depth: depth === null ? "" : String(depth),
    calculator: calculator ? "yes" : "",
    language,
  };
}

const isPlain = ({
  parameters,
  contexts,
  derived,
  where,
  table,
  picture,
  images,
  parts,
  difficultyOffset,
  discrimination,
}: ItemBody): boolean =>
  [parameters, derived ?? {}, where ?? {}].every((one) => Object.keys(one).length === 0) &&
  Object.keys(contexts).length === 1 &&
  (table ?? []).length === 0 &&
  (picture ?? []).length === 0 &&
  (images ?? []).length === 0 &&
  Number(difficultyOffset) === 0 &&
  discrimination === undefined &&
  parts.length === 1 &&
  parts.every(({ prompt, points, skillIds }) => prompt === undefined && (points ?? 1) === 1 && skillIds === undefined);
