import { ownId, qtiName, responseName } from "../names";
import { prompt } from "../writeText";
import { childrenOf, type Xml, xml } from "../xml/xml";
import { rightValues } from "./choice";
import { only, type QtiRoom, Unreadable } from "./qtiRoom";

/** Things and their partners as two sets; each thing belongs to one partner, a partner to any number of things. */
export const matching: QtiRoom<"matching"> = {
  write: (part, drawn, frame) => {
    const name = responseName(frame.id);
    const pair = (thing: string, partner: string) => `${qtiName(thing)} ${qtiName(partner)}`;
    const correct = drawn.things.map(({ id }) => pair(id, drawn.wanted[id] ?? ""));
    const textOf = new Map([
      ...drawn.things.map((one) => [`t ${one.id}`, one.text] as const),
      ...drawn.partners.map((one) => [`p ${one.id}`, one.text] as const),
    ]);
    const side = (ids: readonly string[], kind: "t" | "p", most: string): Xml =>
      xml(
        "qti-simple-match-set",
        {},
        ...ids.map((id) =>
          xml(
            "qti-simple-associable-choice",
            { identifier: qtiName(id), "match-max": most },
            textOf.get(`${kind} ${id}`) ?? "",
          ),
        ),
      );
    return {
      content: [
        xml(
          "qti-match-interaction",
          { "response-identifier": name, "max-associations": String(drawn.things.length), shuffle: "true" },
          ...prompt(frame.prompt),
          side(
            part.things.map(({ id }) => id),
            "t",
            "1",
          ),
          side(
            part.partners.map(({ id }) => id),
            "p",
            "0",
          ),
        ),
      ],
      responses: [
        {
          name,
          cardinality: "multiple",
          baseType: "directedPair",
          correct,
          judging: { how: "map", shares: correct.map((value) => ({ value, share: 1 / correct.length })), others: 0 },
          mistakeIs: "member",
          mistakes: drawn.misconceptionPairs.map(({ id, thing, partner }) => ({
            misconceptionId: id,
            values: [pair(thing, partner)],
          })),
        },
      ],
    };
  },
  read: (found) => {
    const interaction = only(found);
    const response = found.responseTo(interaction);
    const pairs = rightValues(response).map((pair) => pair.split(/\s+/));
    const [first, second] = childrenOf(interaction, "qti-simple-match-set").map((set) => childrenOf(set));
    if (!first || !second) throw new Unreadable("option-missing");
    if (pairs.length === 0) throw new Unreadable("no-key");
    const namesOf = (choices: readonly Xml[]) => choices.map(({ attributes }) => attributes.identifier ?? "");
    // Either set may be the one whose members belong to one partner each.
    const isThings = (names: readonly string[]) =>
      names.every((name) => pairs.filter((pair) => pair.includes(name)).length === 1);
    const [things, partners] = isThings(namesOf(first)) ? [first, second] : [second, first];
    if (!isThings(namesOf(things))) throw new Unreadable("rule-not-read", "qti-match-interaction");
    const partnerNames = namesOf(partners);
    const text = (choice: Xml) => ({ id: ownId(choice.attributes.identifier ?? ""), text: found.words(choice) });
    return {
      kind: "matching",
      things: things.map((choice) => {
        const pair = pairs.find((names) => names.includes(choice.attributes.identifier ?? "")) ?? [];
        const partner = pair.find((name) => partnerNames.includes(name));
        if (partner === undefined) throw new Unreadable("key-not-an-option", pair.join(" "));
        return { ...text(choice), partner: ownId(partner) };
      }),
      partners: partners.map(text),
      misconceptions: response.mistakes.flatMap(({ misconceptionId, values: [pair = ""] }) => {
        const [thing, partner] = pair.split(/\s+/);
        return thing && partner ? [{ id: misconceptionId, thing: ownId(thing), partner: ownId(partner) }] : [];
      }),
    };
  },
};
