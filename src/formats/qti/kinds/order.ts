import { numberLiteral } from "../../exchange/literals";
import { ownId, qtiName, responseName } from "../names";
import { prompt, words } from "../writeText";
import { named, xml } from "../xml/xml";
import { only, type QtiRoom, Unreadable } from "./qtiRoom";

/** Members to be put in order, written in the order of showing: the right one is told by the correct response alone. */
export const order: QtiRoom<"order"> = {
  write: (part, drawn, frame) => {
    const name = responseName(frame.id);
    const valueFor = (id: string) => part.members.find((member) => member.id === id)?.value;
    return {
      content: [
        xml(
          "qti-order-interaction",
          {
            "response-identifier": name,
            shuffle: "true",
            "data-descending": part.descending === undefined ? undefined : String(part.descending),
          },
          ...prompt(frame.prompt),
          ...drawn.members.map(({ id, text }) =>
            xml("qti-simple-choice", { identifier: qtiName(id), "data-value": valueFor(id) }, ...words(text)),
          ),
        ),
      ],
      responses: [
        {
          name,
          cardinality: "ordered",
          baseType: "identifier",
          correct: drawn.wanted.map(qtiName),
          judging: { how: "match" },
          mistakeIs: "whole",
          mistakes: drawn.misconceptionOrders.map(({ id, order: ids }) => ({
            misconceptionId: id,
            values: ids.map(qtiName),
          })),
        },
      ],
    };
  },
  read: (found) => {
    const interaction = only(found);
    const { correct, mistakes } = found.responseTo(interaction);
    const choices = named(interaction, "qti-simple-choice");
    const isOrder = (names: readonly string[]) =>
      names.length === choices.length && choices.every(({ attributes }) => names.includes(attributes.identifier ?? ""));
    if (correct.length === 0) throw new Unreadable("no-key");
    if (!isOrder(correct)) throw new Unreadable("key-not-an-option", correct.join(", "));
    const descending = interaction.attributes["data-descending"];
    return {
      kind: "order",
      members: correct.map((name) => {
        const choice = choices.find(({ attributes }) => attributes.identifier === name) ?? interaction;
        const value = numberLiteral(choice.attributes["data-value"] ?? "");
        return { id: ownId(name), text: found.words(choice), ...(value === null ? {} : { value }) };
      }),
      ...(descending === undefined ? {} : { descending: descending === "true" }),
      misconceptions: mistakes
        .filter(({ values }) => isOrder(values))
        .map(({ misconceptionId, values }) => ({ id: misconceptionId, order: values.map(ownId) })),
    };
  },
};
