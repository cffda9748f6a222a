import { sentText } from "./room";

/** A text as it was typed. */
export interface TypedText {
  readonly text: string;
}

/** What rooms have in common in which something is typed and nothing is shown beforehand. */
export const typedText = {
  order: () => [],
  inOrder: <Drawn>(drawn: Drawn): Drawn => drawn,
  optionTexts: () => [],
  shown: () => ({}),
  received: (_: unknown, sent: unknown): TypedText | null => {
    const text = sentText(sent, "text");
    return text === null ? null : { text };
  },
  guessing: () => 0,
} as const;
