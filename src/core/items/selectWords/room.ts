import { type ItemRoom, sentList } from "../room";
import type { DrawnSelectWords, SelectWordsBody, SelectWordsResponse, ShownSelectWords } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

export const selectWordsRoom: ItemRoom<SelectWordsBody, DrawnSelectWords, ShownSelectWords, SelectWordsResponse> = {
  draw,
  order: () => [],
  inOrder: (drawn) => drawn,
  optionTexts: ({ pieces }) => pieces.flatMap(({ id, text }) => (id === null ? [] : [text.trim()])),
  runningText: ({ pieces }) => pieces.map(({ id, text }) => (id === null ? text : `[${text}]`)).join(""),
  shown: ({ pieces }) => {
    const ids = idsOf(pieces);
    return {
      pieces: pieces.map(({ id, text }) => ({ text, place: id === null ? null : String(ids.indexOf(id) + 1) })),
    };
  },
  received: ({ pieces }, sent) => {
    const places = sentList(sent, "chosen");
    if (places === null) return null;
    const ids = idsOf(pieces);
    return { chosen: [...new Set(places)].map((place) => ids[Number(place) - 1] ?? `no-option-${place}`) };
  },
  check,
  responseWords,
  texts: ({ text }) => text.map((piece) => piece.text),
  remarks: () => [],
  rightResponse: ({ pieces }) => ({ chosen: idsOf(pieces.filter(({ right }) => right)) }),
  // Somebody who has found all that is right, and takes what the misconception suggests besides.
  mistakes: ({ pieces }) =>
    pieces.flatMap((piece) =>
      piece.id === null || piece.misconceptionId === null
        ? []
        : [
            {
              misconceptionId: piece.misconceptionId,
              response: { chosen: idsOf(pieces.filter((other) => other.right || other === piece)) },
            },
          ],
    ),
  /** One of all the ways to select at least one. */
  guessing: ({ text }) => 1 / (2 ** text.filter(({ id }) => id !== undefined).length - 1),
};

const idsOf = (pieces: DrawnSelectWords["pieces"]): string[] => pieces.flatMap(({ id }) => id ?? []);
