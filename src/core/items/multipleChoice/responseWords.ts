import type { DrawnMultipleChoice, MultipleChoiceResponse } from "./body";

/** The chosen options' texts. */
export const responseWords = ({ options }: DrawnMultipleChoice, response: MultipleChoiceResponse): string =>
  response.options.map((chosen) => options.find(({ id }) => id === chosen)?.text ?? chosen).join("; ");
