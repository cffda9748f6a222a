import type { DrawnInlineChoice, InlineChoiceResponse } from "./body";

/** What was chosen, gap by gap. */
export const responseWords = ({ gaps }: DrawnInlineChoice, { choices }: InlineChoiceResponse): string =>
  gaps.map(({ id, options }) => options.find((option) => option.id === choices[id])?.text ?? "").join("; ");
