import type { DrawnSelectWords, SelectWordsResponse } from "./body";

/** What was selected. */
export const responseWords = ({ pieces }: DrawnSelectWords, { chosen }: SelectWordsResponse): string =>
  pieces.flatMap(({ id, text }) => (id !== null && chosen.includes(id) ? [text.trim()] : [])).join("; ");
