import { heldBraces } from "../../exchange/braces";
import { ownId } from "../names";
import { isXml, named, type Xml, type XmlNode } from "../xml/xml";
import { rightValues } from "./choice";
import { joinedPieces, type Piece } from "./pieces";
import { only, type QtiRoom, Unreadable } from "./qtiRoom";

/** Words to be put into gaps, read as gaps to be filled from a list: each gap offers all of the words. */
export const readGapMatch: QtiRoom<"inline-choice">["read"] = (found) => {
  const interaction = only(found);
  const pairs = rightValues(found.responseTo(interaction)).map((pair) => pair.split(/\s+/));
  if (pairs.length === 0) throw new Unreadable("no-key");
  found.note("gaps-as-choices", undefined, interaction.line);
  const words = named(interaction, "qti-gap-text");
  const text: Piece[] = [];
  const walk = (node: XmlNode): void => {
    if (!isXml(node)) text.push(heldBraces(node.replace(/\s+/g, " ")));
    else if (node.name === "qti-gap") text.push({ gap: ownId(node.attributes.identifier ?? "") });
    else if (!["qti-gap-text", "qti-gap-img", "qti-prompt"].includes(node.name))
      for (const child of node.children) walk(child);
  };
  walk(interaction);
  const option = (word: Xml) => ({ id: ownId(word.attributes.identifier ?? ""), text: found.words(word) });
  const gaps = named(interaction, "qti-gap").map((gap) => {
    const id = gap.attributes.identifier ?? "";
    const right = pairs.find((names) => names[1] === id)?.[0];
    if (right === undefined) throw new Unreadable("no-key", id);
    if (!words.some(({ attributes }) => attributes.identifier === right))
      throw new Unreadable("key-not-an-option", right);
    return { id: ownId(id), options: words.map(option), right: ownId(right) };
  });
  return { kind: "inline-choice", text: joinedPieces(text), gaps };
};
