import type { PieceBody } from "@/core/items/selectWords/body";
import { heldBraces } from "../../exchange/braces";
import { ownId, qtiName, responseName } from "../names";
import { prompt } from "../writeText";
import { isXml, type XmlNode, xml } from "../xml/xml";
import { rightValues } from "./choice";
import { only, type QtiRoom, Unreadable } from "./qtiRoom";

/** A text in which words are selected. */
export const selectWords: QtiRoom<"select-words"> = {
  write: (_, { pieces }, frame) => {
    const name = responseName(frame.id);
    const right = pieces.flatMap((piece) => (piece.right && piece.id !== null ? [qtiName(piece.id)] : []));
    const share = 1 / right.length;
    return {
      content: [
        xml(
          "qti-hottext-interaction",
          { "response-identifier": name, "max-choices": "0" },
          ...prompt(frame.prompt),
          xml(
            "p",
            {},
            ...pieces.map(({ id, text }) =>
              id === null ? text : xml("qti-hottext", { identifier: qtiName(id) }, text),
            ),
          ),
        ),
      ],
      responses: [
        {
          name,
          cardinality: "multiple",
          baseType: "identifier",
          correct: right,
          judging: { how: "map", shares: right.map((value) => ({ value, share })), others: -share },
          mistakeIs: "member",
          mistakes: pieces.flatMap(({ id, misconceptionId }) =>
            id === null || misconceptionId === null ? [] : [{ misconceptionId, values: [qtiName(id)] }],
          ),
        },
      ],
    };
  },
  read: (found) => {
    const interaction = only(found);
    const response = found.responseTo(interaction);
    const right = rightValues(response);
    if (right.length === 0) throw new Unreadable("no-key");
    const pieces: PieceBody[] = [];
    const walk = (node: XmlNode): void => {
      if (!isXml(node)) {
        const words = heldBraces(node.replace(/\s+/g, " "));
        if (words.trim() !== "" || (words !== "" && pieces.length > 0)) pieces.push({ text: words });
      } else if (node.name === "qti-hottext") {
        const name = node.attributes.identifier ?? "";
        const mistake = response.mistakes.find(({ values }) => values[0] === name);
        pieces.push({
          text: found.words(node),
          id: ownId(name),
          right: right.includes(name),
          ...(mistake ? { misconceptionId: mistake.misconceptionId } : {}),
        });
      } else if (node.name !== "qti-prompt") for (const child of node.children) walk(child);
    };
    walk(interaction);
    const last = pieces.at(-1);
    if (last && last.id === undefined) {
      if (last.text.trim() === "") pieces.pop();
      else pieces[pieces.length - 1] = { text: last.text.trimEnd() };
    }
    const [first] = pieces;
    if (first && first.id === undefined) pieces[0] = { text: first.text.trimStart() };
    return { kind: "select-words", text: pieces };
  },
};
