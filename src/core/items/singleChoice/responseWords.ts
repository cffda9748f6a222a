import type { DrawnSingleChoice, SingleChoiceResponse } from "./body";

/** The chosen option's text. */
export const responseWords = ({ options }: DrawnSingleChoice, { option }: SingleChoiceResponse): string =>
  options.find(({ id }) => id === option)?.text ?? option;
