import { ITEM_KINDS, type ItemKind } from "@/core/items/itemKind";
import type { Note } from "../exchange/exchangeItem";
import { numberLiteral } from "../exchange/literals";
import { Unreadable } from "./kinds/qtiRoom";
import type { FoundResponse } from "./readProcessing";
import { isXml, named, within, type Xml } from "./xml/xml";

/** A part of a document before it is read. */
export interface PartAt {
  /** Its own id where it says one. */
  readonly id: string | null;
  readonly kind: ItemKind | "gap-match";
  readonly interactions: readonly Xml[];
  /** The blocks that hold it, where its words are among them. */
  readonly content: readonly Xml[];
  readonly frame: Xml | null;
  /** Notes for whoever scores it. */
  readonly rubric: readonly Xml[];
}

export const isInteraction = ({ name }: Xml): boolean => name.startsWith("qti-") && name.endsWith("-interaction");
/** Interactions that ask nothing. */
const ASKS_NOTHING = new Set(["qti-end-attempt-interaction", "qti-media-interaction"]);
const LONGER_TEXT = "qti-extended-text-interaction";
/** Blocks of which each is a text with gaps of its own. */
const GAP_BLOCKS = new Set(["p", "div", "li", "td", "blockquote", "qti-item-body"]);

/**
 * The parts that a document asks, in its order: what stands in a frame of its own, otherwise each interaction, and the choices within one
 * paragraph together. Interactions that nothing here can ask are noted, or refused where nothing is left.
 */
export function findParts(body: Xml, responseTo: (interaction: Xml) => FoundResponse, note: Note): PartAt[] {
  const parts: PartAt[] = [];
  const refused: Xml[] = [];
  const walk = (parent: Xml): void => {
    const choices = within(parent, isInteraction).filter(({ name }) => name === "qti-inline-choice-interaction");
    const isGapBlock =
      GAP_BLOCKS.has(parent.name) && parent.children.some((child) => isXml(child) && choices.includes(child));
    if (isGapBlock)
      parts.push({
        id: null,
        kind: "inline-choice",
        interactions: choices,
        content: [parent],
        frame: null,
        rubric: [],
      });
    for (const child of parent.children.filter(isXml)) {
      if (isGapBlock && choices.includes(child)) continue;
      if (child.attributes["data-part"] !== undefined && child.name === "div") framed(child);
      else if (!isInteraction(child)) walk(child);
      else if (!ASKS_NOTHING.has(child.name)) {
        const kind = kindOf(child, responseTo(child));
        if (kind === null) refused.push(child);
        else parts.push({ id: null, kind, interactions: [child], content: [], frame: null, rubric: rubricFor(child) });
      }
    }
  };
  const framed = (frame: Xml): void => {
    const interactions = within(frame, isInteraction);
    const kind = ITEM_KINDS.find((known) => known === frame.attributes["data-kind"]);
    if (!kind || interactions.length === 0) {
      walk(frame);
      return;
    }
    const content = within(frame, ({ name, attributes }) => name === "p" && attributes.class !== "oxbow-prompt");
    const rubric = named(frame, "qti-rubric-block");
    parts.push({ id: frame.attributes["data-part"] ?? null, kind, interactions, content, frame, rubric });
  };
  // Outside of a frame nothing says which answer the notes are for: they are for the first that a person scores.
  const rubricFor = ({ name }: Xml): Xml[] =>
    name === LONGER_TEXT && !parts.some(({ interactions: [first] }) => first?.name === LONGER_TEXT)
      ? named(body, "qti-rubric-block").filter(({ attributes }) => (attributes.view ?? "").includes("scorer"))
      : [];
  walk(body);
  for (const { name, line } of refused) note("kind-not-known", name, line);
  if (parts.length === 0) throw new Unreadable(refused.length > 0 ? "kind-not-known" : "no-question", refused[0]?.name);
  return parts;
}

function kindOf({ name, attributes }: Xml, response: FoundResponse): PartAt["kind"] | null {
  switch (name) {
    case "qti-choice-interaction":
      return response.cardinality === "single" || attributes["max-choices"] === "1"
        ? "single-choice"
        : "multiple-choice";
    case "qti-text-entry-interaction":
      return isNumber(response) ? "number" : "short-text";
    case LONGER_TEXT:
      return "written";
    case "qti-order-interaction":
      return "order";
    case "qti-match-interaction":
      return "matching";
    case "qti-gap-match-interaction":
      return "gap-match";
    case "qti-hottext-interaction":
      return "select-words";
    case "qti-slider-interaction":
      return "number-line";
    case "qti-inline-choice-interaction":
      return "inline-choice";
    default:
      return null;
  }
}

/** A number, or a text whose only right writing is one. */
const isNumber = ({ baseType, correct, mapping }: FoundResponse): boolean =>
  baseType === "float" ||
  baseType === "integer" ||
  (mapping.length <= 1 && correct.length === 1 && numberLiteral(correct[0] ?? "") !== null);
