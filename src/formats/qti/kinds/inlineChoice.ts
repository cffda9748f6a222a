import { heldBraces } from "../../exchange/braces";
import { gapOfResponse, ownId, qtiName, responseName } from "../names";
import { promptLine } from "../writeText";
import { childrenOf, isXml, type XmlNode, xml } from "../xml/xml";
import { rightValues } from "./choice";
import { joinedPieces, type Piece } from "./pieces";
import { type FoundPart, type QtiRoom, Unreadable } from "./qtiRoom";

const INTERACTION = "qti-inline-choice-interaction";

/** A text with gaps: an interaction for each, with a variable of its own. */
export const inlineChoice: QtiRoom<"inline-choice"> = {
  write: (part, drawn, { id, prompt }) => {
    const nameOf = (gapId: string) => responseName(id, gapId);
    const optionsOf = (gapId: string) => {
      const shown = drawn.gaps.find((gap) => gap.id === gapId)?.options ?? [];
      const own = part.gaps.find((gap) => gap.id === gapId)?.options ?? [];
      return own.flatMap((option) => shown.find((one) => one.id === option.id) ?? []);
    };
    return {
      content: [
        ...promptLine(prompt),
        xml(
          "p",
          {},
          ...drawn.text.map((piece) =>
            typeof piece === "string"
              ? piece
              : xml(
                  INTERACTION,
                  { "response-identifier": nameOf(piece.gap), shuffle: "true" },
                  ...optionsOf(piece.gap).map((option) =>
                    xml("qti-inline-choice", { identifier: qtiName(option.id) }, option.text),
                  ),
                ),
          ),
        ),
      ],
      responses: part.gaps.map((gap) => ({
        name: nameOf(gap.id),
        cardinality: "single" as const,
        baseType: "identifier" as const,
        correct: [qtiName(gap.right)],
        judging: {
          how: "map" as const,
          shares: [{ value: qtiName(gap.right), share: 1 / part.gaps.length }],
          others: 0,
        },
        mistakeIs: "whole" as const,
        mistakes: gap.options.flatMap(({ id: optionId, misconceptionId }) =>
          misconceptionId === undefined || optionId === gap.right
            ? []
            : [{ misconceptionId, values: [qtiName(optionId)] }],
        ),
      })),
    };
  },
  read: (found) => {
    const gaps: { id: string; options: { id: string; text: string; misconceptionId?: string }[]; right: string }[] = [];
    const text = pieces(found, (interaction) => {
      const response = found.responseTo(interaction);
      const [right] = rightValues(response);
      const id = gapOfResponse(response.name);
      const options = childrenOf(interaction, "qti-inline-choice").map((choice) => {
        const name = choice.attributes.identifier ?? "";
        const mistake = response.mistakes.find(({ values }) => values[0] === name);
        return {
          id: ownId(name),
          text: found.words(choice),
          ...(mistake ? { misconceptionId: mistake.misconceptionId } : {}),
        };
      });
      if (right === undefined) throw new Unreadable("no-key", id);
      if (!options.some((option) => option.id === ownId(right))) throw new Unreadable("key-not-an-option", right);
      gaps.push({ id, options, right: ownId(right) });
      return { gap: id };
    });
    return { kind: "inline-choice", text, gaps };
  },
};

/** The words of the blocks that hold a part, with what stands for its interactions among them. */
function pieces(found: FoundPart, gapOf: (interaction: FoundPart["interactions"][number]) => Piece): Piece[] {
  const all: Piece[] = [];
  const walk = (node: XmlNode): void => {
    if (!isXml(node)) all.push(heldBraces(node.replace(/\s+/g, " ")));
    else if (found.interactions.includes(node)) all.push(gapOf(node));
    else if (node.children.some(isXml)) for (const child of node.children) walk(child);
    else all.push(found.words(node));
  };
  for (const [place, block] of found.content.entries()) {
    if (place > 0) all.push(" ");
    walk(block);
  }
  return joinedPieces(all);
}
