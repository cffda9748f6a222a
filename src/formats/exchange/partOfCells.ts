import type { ExchangeRemark } from "@/core/items/exchangeRemark";
import type { PartBody } from "@/core/items/itemBody";
import { heldBraces } from "./braces";
import type { ItemCells, SheetKind } from "./itemCells";
import { numberLiteral } from "./literals";

/** Notes what could not be read of a row. */
type Say = (code: ExchangeRemark["code"], at: string) => void;
type Made = PartBody | ExchangeRemark;

interface Reader {
  /** Words by which a sheet may call it, without spaces and case. */
  readonly called: RegExp;
  readonly made: (cells: ItemCells, answers: readonly string[], say: Say) => Made;
}

const READERS: Readonly<Record<SheetKind, Reader>> = {
  choices: {
    called: /^(choices|multiplechoices|multipleresponse|severalchoices|multiselect)$/,
    made: ({ wrong }, answers) => options("multiple-choice", answers, wrong),
  },
  choice: {
    called: /^(choice|singlechoice|multiplechoice|mc)$/,
    made: ({ wrong, kind }, answers) => {
      if (answers.length === 1) return options("single-choice", answers, wrong);
      return kind === "" || kind === "choice" ? { code: "several-keys" } : options("multiple-choice", answers, wrong);
    },
  },
  number: {
    called: /^(number|numeric|numerical)$/,
    made: (cells, [answer = "", another], say) => numberPart(cells, another === undefined ? answer : "", say),
  },
  text: {
    called: /^(text|shorttext|word|words|shortanswer)$/,
    made: ({ wrong }, [first = "", ...others]) => ({
      id: "a",
      kind: "short-text",
      accepted: [heldBraces(first), ...others.map(heldBraces)],
      misconceptions: wrong.flatMap(({ text, mistake }) =>
        mistake === "" ? [] : [{ id: mistake, text: heldBraces(text) }],
      ),
      ignoreCase: true,
      ignoreSpacing: true,
      ignoreAccents: false,
      ignorePunctuation: true,
      spelling: "exact",
    }),
  },
};

/**
 * The part that a row asks: of the kind that it says, or that its answers are: a choice where there are wrong ones, a number, or a text.
 * A remark where none comes of it.
 */
export function partOfCells(cells: ItemCells, answers: readonly string[], say: Say): Made {
  const said = cells.kind.toLowerCase().replace(/[^a-z]/g, "");
  const reader =
    said === "" ? READERS[likely(cells, answers)] : Object.values(READERS).find(({ called }) => called.test(said));
  return reader ? reader.made(cells, answers, say) : { code: "kind-not-known", at: cells.kind };
}

function likely({ wrong }: ItemCells, answers: readonly string[]): SheetKind {
  if (wrong.length > 0) return answers.length > 1 ? "choices" : "choice";
  return answers.length === 1 && numberLiteral(answers[0] ?? "") !== null ? "number" : "text";
}

function options(
  kind: "single-choice" | "multiple-choice",
  answers: readonly string[],
  wrong: ItemCells["wrong"],
): Made {
  if (wrong.length === 0) return { code: "option-missing" };
  const all = [
    ...answers.map((text) => ({ text: heldBraces(text), right: true as const })),
    ...wrong.map(({ text, mistake }) => ({
      text: heldBraces(text),
      ...(mistake === "" ? {} : { misconceptionId: mistake }),
    })),
  ];
  return { id: "a", kind, options: all.map((option, place) => ({ id: String.fromCharCode(97 + place), ...option })) };
}

function numberPart({ answer: cell, wrong, unit, tolerance }: ItemCells, key: string, say: Say): Made {
  const answer = numberLiteral(key);
  if (answer === null) return { code: "key-not-a-number", at: cell };
  const within = numberLiteral(tolerance);
  if (tolerance !== "" && within === null) say("rule-not-read", tolerance);
  const misconceptions = wrong.flatMap(({ text, mistake }) => {
    const value = numberLiteral(text);
    if (value === null || mistake === "") say("rule-not-read", text);
    return value === null || mistake === "" ? [] : [{ id: mistake, value }];
  });
  return {
    id: "a",
    kind: "number",
    answer,
    right: `x == ${answer}`,
    ...(within === null || Number(within) <= 0 ? {} : { tolerance: within }),
    misconceptions,
    ...(unit === "" ? {} : { unit: { word: heldBraces(unit), required: false } }),
  };
}
