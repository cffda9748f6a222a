import type { ExchangeRemark } from "@/core/items/exchangeRemark";
import type { ItemBody } from "@/core/items/itemBody";
import { braceWords, heldBraces } from "./braces";
import type { ExchangeItem } from "./exchangeItem";
import type { ItemCells } from "./itemCells";
import { partOfCells } from "./partOfCells";

export type RowReading =
  | { readonly item: ExchangeItem; readonly remarks: readonly ExchangeRemark[] }
  | { readonly item: null; readonly remarks: readonly ExchangeRemark[] };

/** An item from a row, or why it is none. */
export function itemOfRow(cells: ItemCells): RowReading {
  const refused = (code: ExchangeRemark["code"]): RowReading => ({ item: null, remarks: [{ code }] });
  const answers = cells.answer
    .split("\n")
    .map((line) => line.trim())
    .filter((line) => line !== "");
  if (cells.question.trim() === "") return refused("no-question");
  if (answers.length === 0) return refused("no-key");
  const remarks: ExchangeRemark[] = [];
  const part = partOfCells(cells, answers, (code, at) => remarks.push({ code, at }));
  if ("code" in part) return { item: null, remarks: [part] };
  const [stem, hint, solution] = [cells.question, cells.hint, cells.explanation].map(heldBraces);
  const hasBraces = /[{}]/.test(
    [cells.question, cells.hint, cells.explanation, cells.answer, ...cells.wrong.map(({ text }) => text)].join(""),
  );
  const body: ItemBody = {
    parameters: {},
    stem: stem ?? "",
    contexts: { plain: braceWords(hasBraces) },
    difficultyOffset: "0",
    hint: hint ?? "",
    solution: solution ?? "",
    parts: [part],
  };
  const depth = Number(cells.depth);
  if (cells.depth !== "" && ![1, 2, 3, 4].includes(depth)) remarks.push({ code: "rule-not-read", at: cells.depth });
  return {
    remarks,
    item: {
      id: cells.id,
      title: cells.question.replace(/\s+/g, " ").slice(0, 120),
      body,
      depth: [1, 2, 3, 4].includes(depth) ? depth : null,
      calculator: /^(yes|y|true|1|x|ja|sí|oui)$/i.test(cells.calculator),
      language: /^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(cells.language) ? cells.language : "en",
      skillIds: listed(cells.skill),
      standards: listed(cells.standards).map((code) => ({ code, caseId: null })),
      passage: null,
    },
  };
}

const listed = (cell: string): string[] =>
  cell
    .split(/[;\n|]/)
    .map((one) => one.trim())
    .filter((one) => one !== "");
