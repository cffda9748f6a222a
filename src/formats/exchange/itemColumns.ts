import { ITEM_COLUMNS, type ItemColumn } from "@/core/items/itemColumn";

/** Header words that name a column, without spaces, signs, numbers and case. */
const HEADER_WORDS: Readonly<Record<ItemColumn, readonly string[]>> = {
  id: ["id", "identifier", "itemid"],
  question: ["question", "stem", "item", "text", "task", "prompt"],
  kind: ["kind", "type", "questiontype", "itemtype"],
  answer: ["answer", "answers", "rightanswer", "correctanswer", "correct", "right", "key", "solutionvalue"],
  wrong: ["wrong", "wronganswer", "wronganswers", "distractor", "distractors", "otheranswer"],
  mistake: ["mistake", "misconception", "whywrong"],
  unit: ["unit", "units"],
  tolerance: ["tolerance", "within", "margin"],
  hint: ["hint", "help", "tip"],
  explanation: ["explanation", "solution", "workedsolution", "feedback", "because"],
  skill: ["skill", "skills", "topic"],
  standards: ["standards", "standard", "code", "codes", "standardcode"],
  depth: ["depth", "dok", "depthofthinking", "level"],
  calculator: ["calculator", "calculatorallowed"],
  language: ["language", "lang"],
};

/**
 * Columns of options that are right or wrong by what the answer says, in the order of the sheet.
 * @example optionColumns(["Question", "Option A", "Option B", "Answer"]) // [1, 2]
 */
export const optionColumns = (headers: readonly string[]): readonly number[] =>
  headers.flatMap((header, place) => {
    const bare = header.toLowerCase().replace(/[^a-z]/g, "");
    return /^((answer)?(option|choice)[a-h]?|[a-h])$/.test(bare) ? [place] : [];
  });

/**
 * Which columns hold what, by their headers; what may stand several times, such as wrong answers, in the order of the sheet.
 * @example itemColumns(["Question", "Key", "Wrong 1", "Wrong 2"]).wrong // [2, 3]
 */
export function itemColumns(headers: readonly string[]): Readonly<Record<ItemColumn, readonly number[]>> {
  const bare = headers.map((header) => header.toLowerCase().replace(/[^a-z]/g, ""));
  return Object.fromEntries(
    ITEM_COLUMNS.map((column) => [
      column,
      bare.flatMap((header, place) => (HEADER_WORDS[column].includes(header) ? [place] : [])),
    ]),
  ) as unknown as Record<ItemColumn, readonly number[]>;
}
