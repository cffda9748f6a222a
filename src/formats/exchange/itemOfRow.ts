import type { ItemBody, PartBody } from "@/core/items/itemBody";
import { braceWords, heldBraces } from "./braces";
import type { ExchangeItem, ExchangeRemark } from "./exchangeItem";
import { numberLiteral } from "./literals";
import type { ItemCells } from "./rowOfItem";

export type RowReading =
  | { readonly item: ExchangeItem; readonly remarks: readonly ExchangeRemark[] }
  | { readonly item: null; readonly remarks: readonly ExchangeRemark[] };

/** An item from a row; its kind is what the row says, or what its answers are: a choice where there are wrong ones, a number, or a text. */
export function itemOfRow(cells: ItemCells): RowReading {
  const refused = (code: ExchangeRemark["code"], at?: string): RowReading => ({
    item: null,
    remarks: [{ code, ...(at === undefined ? {} : { at }) }],
  });
  const answers = cells.answer
    .split("\n")
    .map((line) => line.trim())
    .filter((line) => line !== "");
  const [first] = answers;
  if (cells.question.trim() === "") return refused("no-question");
  if (first === undefined) return refused("no-key");
  const kind = kindOf(cells, answers);
  if (kind === null) return refused("kind-not-known", cells.kind);
  if (kind === "choice" && answers.length > 1) return refused("several-keys");
  if ((kind === "choice" || kind === "choices") && cells.wrong.length === 0) return refused("option-missing");
  const number = numberLiteral(first);
  if (kind === "number" && (number === null || answers.length > 1)) return refused("key-not-a-number", first);
  const remarks: ExchangeRemark[] = [];
  const part =
    kind === "number"
      ? numberPart(cells, number ?? first, remarks)
      : kind === "text"
        ? textPart(cells, answers)
        : choicePart(cells, kind, answers);
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
    },
  };
}

const listed = (cell: string): string[] =>
  cell
    .split(/[;\n|]/)
    .map((one) => one.trim())
    .filter((one) => one !== "");

type Kind = "choice" | "choices" | "number" | "text";

function kindOf({ kind, wrong }: ItemCells, answers: readonly string[]): Kind | null {
  const said = kind.toLowerCase().replace(/[^a-z]/g, "");
  if (/^(choices|multiplechoices|multipleresponse|severalchoices|multiselect)$/.test(said)) return "choices";
  if (/^(choice|singlechoice|multiplechoice|mc)$/.test(said)) return answers.length > 1 ? "choices" : "choice";
  if (/^(number|numeric|numerical)$/.test(said)) return "number";
  if (/^(text|shorttext|word|words|shortanswer)$/.test(said)) return "text";
  if (said !== "") return null;
  if (wrong.length > 0) return answers.length > 1 ? "choices" : "choice";
  return answers.length === 1 && numberLiteral(answers[0] ?? "") !== null ? "number" : "text";
}

function choicePart({ wrong }: ItemCells, kind: Kind, answers: readonly string[]): PartBody {
  const options = [
    ...answers.map((text) => ({ text: heldBraces(text), right: true as const })),
    ...wrong.map(({ text, mistake }) => ({
      text: heldBraces(text),
      ...(mistake === "" ? {} : { misconceptionId: mistake }),
    })),
  ];
  return {
    id: "a",
    kind: kind === "choice" ? "single-choice" : "multiple-choice",
    options: options.map((option, place) => ({ id: String.fromCharCode(97 + place), ...option })),
  };
}

function numberPart({ wrong, unit, tolerance }: ItemCells, answer: string, remarks: ExchangeRemark[]): PartBody {
  const within = numberLiteral(tolerance);
  if (tolerance !== "" && within === null) remarks.push({ code: "rule-not-read", at: tolerance });
  const telling = wrong.flatMap(({ text, mistake }) => {
    const value = numberLiteral(text);
    if (value === null || mistake === "") remarks.push({ code: "rule-not-read", at: text });
    return value === null || mistake === "" ? [] : [{ id: mistake, value }];
  });
  return {
    id: "a",
    kind: "number",
    answer,
    right: `x == ${answer}`,
    ...(within === null || Number(within) <= 0 ? {} : { tolerance: within }),
    misconceptions: telling,
    ...(unit === "" ? {} : { unit: { word: heldBraces(unit), required: false } }),
  };
}

function textPart({ wrong }: ItemCells, answers: readonly string[]): PartBody {
  const [first = "", ...others] = answers.map(heldBraces);
  return {
    id: "a",
    kind: "short-text",
    accepted: [first, ...others],
    misconceptions: wrong.flatMap(({ text, mistake }) =>
      mistake === "" ? [] : [{ id: mistake, text: heldBraces(text) }],
    ),
    ignoreCase: true,
    ignoreSpacing: true,
    ignoreAccents: false,
    ignorePunctuation: true,
    spelling: "exact",
  };
}
