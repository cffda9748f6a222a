import { optionLetter } from "../drawOptions";
import { leftOut } from "../partRemark";
import { type ItemRoom, sentList } from "../room";
import type { DrawnOrder, OrderBody, OrderResponse, ShownOrder } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

export const orderRoom: ItemRoom<OrderBody, DrawnOrder, ShownOrder, OrderResponse> = {
  draw,
  order: ({ members }) => members.map(({ id }) => id),
  inOrder: (drawn, ids) => {
    const members = ids.flatMap((wanted) => drawn.members.find(({ id }) => id === wanted) ?? []);
    return members.length === drawn.members.length ? { ...drawn, members } : drawn;
  },
  optionTexts: ({ members }) => members.map(({ text }) => text),
  shown: ({ members }) => ({ members: members.map(({ text }, place) => ({ letter: optionLetter(place), text })) }),
  received: ({ members }, sent) => {
    const letters = sentList(sent, "order");
    if (letters === null) return null;
    return {
      order: letters.map(
        (letter) => members.find((_, place) => optionLetter(place) === letter)?.id ?? `no-option-${letter}`,
      ),
    };
  },
  check,
  responseWords,
  texts: ({ members }) => members.map(({ text }) => text),
  remarks: (body, _, drawn) => leftOut(body.misconceptions.length, drawn.misconceptionOrders.length),
  rightResponse: ({ wanted }) => ({ order: wanted }),
  mistakes: ({ misconceptionOrders }) =>
    misconceptionOrders.map(({ id, order }) => ({ misconceptionId: id, response: { order } })),
  guessing: ({ members }) => members.reduce((chance, _, place) => chance / (place + 1), 1),
};
