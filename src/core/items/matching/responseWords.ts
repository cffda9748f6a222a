import type { DrawnMatching, MatchingResponse } from "./body";

/** Each thing with its partner. */
export const responseWords = ({ things, partners }: DrawnMatching, { pairs }: MatchingResponse): string =>
  things.map(({ id, text }) => `${text}: ${partners.find((known) => known.id === pairs[id])?.text ?? ""}`).join("; ");
