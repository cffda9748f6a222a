import { optionLetter } from "../drawOptions";
import { leftOut } from "../partRemark";
import { type ItemRoom, sentNames } from "../room";
import type { DrawnMatching, MatchingBody, MatchingResponse, ShownMatching } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

export const matchingRoom: ItemRoom<MatchingBody, DrawnMatching, ShownMatching, MatchingResponse> = {
  draw,
  order: ({ partners }) => partners.map(({ id }) => id),
  inOrder: (drawn, ids) => {
    const partners = ids.flatMap((wanted) => drawn.partners.find(({ id }) => id === wanted) ?? []);
    return partners.length === drawn.partners.length ? { ...drawn, partners } : drawn;
  },
  optionTexts: ({ partners }) => partners.map(({ text }) => text),
  shown: ({ things, partners }) => ({
    things: things.map(({ text }, place) => ({ place: String(place + 1), text })),
    partners: partners.map(({ text }, place) => ({ letter: optionLetter(place), text })),
  }),
  received: ({ things, partners }, sent) => {
    const letters = sentNames(sent, "pairs");
    if (letters === null) return null;
    const pairs = things.flatMap(({ id }, place) => {
      const letter = letters[String(place + 1)];
      if (letter === undefined) return [];
      return [[id, partners.find((_, at) => optionLetter(at) === letter)?.id ?? `no-option-${letter}`] as const];
    });
    return { pairs: Object.fromEntries(pairs) };
  },
  check,
  responseWords,
  texts: ({ things, partners }) => [...things, ...partners].map(({ text }) => text),
  remarks: (body, _, drawn) => leftOut(body.misconceptions.length, drawn.misconceptionPairs.length),
  rightResponse: ({ wanted }) => ({ pairs: wanted }),
  mistakes: ({ misconceptionPairs, wanted }) =>
    misconceptionPairs.map(({ id, thing, partner }) => ({
      misconceptionId: id,
      response: { pairs: { ...wanted, [thing]: partner } },
    })),
  guessing: ({ things, partners }) => (1 / partners.length) ** things.length,
};
