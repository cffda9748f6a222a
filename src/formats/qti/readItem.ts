import type { ExchangeRemark } from "@/core/items/exchangeRemark";
import type { ItemBody, ItemImage, PartBody } from "@/core/items/itemBody";
import { braceWords, heldBraces, holdsBraces } from "../exchange/braces";
import type { ExchangeItem, ExchangePassage, Note } from "../exchange/exchangeItem";
import { numberLiteral } from "../exchange/literals";
import { findParts, isInteraction, type PartAt } from "./findParts";
import { readGapMatch } from "./kinds/gapMatch";
import { type FoundPart, Unreadable } from "./kinds/qtiRoom";
import { qtiRoomOf } from "./kinds/qtiRooms";
import { ownId } from "./names";
import { type FoundResponse, foundResponses, scoresByDeclaration } from "./readProcessing";
import { textOf } from "./readText";
import { childOf, childrenOf, named, rawText, within, type Xml } from "./xml/xml";

export type ItemReading =
  | { readonly item: ExchangeItem; readonly remarks: readonly ExchangeRemark[] }
  | { readonly item: null; readonly remarks: readonly ExchangeRemark[] };

/** Of a longer list of remarks so many are kept. */
const MOST_REMARKS = 40;
const TITLE_LETTERS = 120;
const NO_RESPONSE: FoundResponse = {
  name: "",
  cardinality: "single",
  baseType: "identifier",
  correct: [],
  mapping: [],
  tolerance: null,
  mistakes: [],
};

/**
 * Reads an item of version 3.0 (names of 2.1 and 2.2 made present ones before). What it says beyond what an item here holds is remarked;
 * an item without a question that can be asked and a key that can be judged is none. Never throws. Passages and pictures
 * stand in files beside it.
 */
export function readItem(root: Xml, beside: Partial<BesideItem> = {}): ItemReading {
  const remarks: ExchangeRemark[] = [];
  const note: Note = (code, at, line) => {
    const isKnown = remarks.some((known) => known.code === code && known.at === at);
    if (!isKnown && remarks.length < MOST_REMARKS)
      remarks.push({ code, ...(at === undefined ? {} : { at }), ...(line === undefined ? {} : { line }) });
  };
  try {
    return { item: itemOf(root, note, { passages: () => null, pictures: () => null, ...beside }), remarks };
  } catch (error) {
    if (!(error instanceof Unreadable)) throw error;
    remarks.unshift({ code: error.code, ...(error.at === undefined ? {} : { at: error.at.slice(0, 80) }) });
    return { item: null, remarks };
  }
}

/** What an item names that stands in other files, by the name that it says; null where there is none. */
export interface BesideItem {
  readonly passages: (href: string) => ExchangePassage | null;
  /** The hash of a picture that can be shown. */
  readonly pictures: (href: string) => string | null;
}

function itemOf(root: Xml, note: Note, { passages, pictures }: BesideItem): ExchangeItem {
  const body = childOf(root, "qti-item-body");
  const { attributes } = root;
  if (root.name !== "qti-assessment-item" || !body) throw new Unreadable("not-an-item", root.name);
  if (childOf(root, "qti-template-declaration")) throw new Unreadable("draws-its-numbers");
  if (attributes.adaptive === "true") throw new Unreadable("adapts-itself");
  const responses = foundResponses(root);
  const responseTo = ({ attributes: own }: Xml) => responses.get(own["response-identifier"] ?? "") ?? NO_RESPONSE;
  const words = (element: Xml) => heldBraces(textOf(element.children, note));
  const parts = findParts(body, responseTo, note);
  sayWhatIsLeftOut(root, new Set(parts.flatMap(({ rubric }) => rubric)), note);
  const boxes = parts.filter((part) => !part.frame && part.interactions[0]?.name === "qti-text-entry-interaction");
  const read = parts.map((part, place) =>
    readPart(part, place, {
      responseTo,
      words,
      note,
      points: mostPoints(root),
      numbered: boxes.length > 1 ? boxes.indexOf(part) : -1,
    }),
  );
  const stem = stemOf(body, parts, boxes, { note, pictures });
  const shared = childrenOf(root, "qti-assessment-stimulus-ref").flatMap(({ attributes: own, line }) => {
    const passage = passages(own.href ?? "");
    if (passage === null) note("passage-missing", own.href, line);
    return passage ?? [];
  });
  const context = contextOf(root);
  const offset = numberLiteral(context.get("DIFFICULTY_OFFSET") ?? "0");
  const discrimination = Number(context.get("DISCRIMINATION"));
  const depth = Number(context.get("DEPTH"));
  const told = (identifier: string) =>
    childrenOf(root, "qti-modal-feedback")
      .filter((one) => one.attributes.identifier === identifier)
      .map(words)
      .join("\n");
  const [hint, solution] = [told("HINT"), told("SOLUTION")];
  const title = (attributes.title ?? "").slice(0, TITLE_LETTERS);
  const asked = withQuestion({ stem: stem.text, parts: read, title });
  const hasBraces = holdsBraces(JSON.stringify([asked, hint, solution, stem]));
  const made: ItemBody = {
    parameters: {},
    stem: asked.stem,
    contexts: { plain: braceWords(hasBraces) },
    difficultyOffset: offset ?? "0",
    ...(Number.isFinite(discrimination) && discrimination > 0 ? { discrimination } : {}),
    hint,
    solution,
    ...(stem.strips.length > 0 ? { picture: stem.strips } : {}),
    ...(stem.images.length > 0 ? { images: stem.images } : {}),
    ...(stem.table.length > 0 ? { table: stem.table } : {}),
    parts: withPoints(root, asked.parts),
  };
  return {
    id: ownId(attributes.identifier ?? ""),
    title,
    body: made,
    depth: [1, 2, 3, 4].includes(depth) ? depth : null,
    calculator: context.get("CALCULATOR") === "true",
    language: /^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(attributes["xml:lang"] ?? "")
      ? (attributes["xml:lang"] ?? "en")
      : "en",
    skillIds: [],
    standards: [],
    passage: shared[0] ?? null,
  };
}

/** Names in the standard of what has no place here. */
function sayWhatIsLeftOut(root: Xml, taken: ReadonlySet<Xml>, note: Note): void {
  for (const block of named(root, "qti-rubric-block"))
    if (!taken.has(block)) note("rubric-left-out", undefined, block.line);
  for (const { line } of named(root, "qti-catalog-info")) note("catalogue-left-out", undefined, line);
  for (const name of ["qti-feedback-block", "qti-feedback-inline"])
    for (const { line } of named(root, name)) note("feedback-left-out", undefined, line);
  for (const { attributes, line } of childrenOf(root, "qti-modal-feedback"))
    if (attributes.identifier !== "HINT" && attributes.identifier !== "SOLUTION")
      note("feedback-left-out", undefined, line);
  if (!scoresByDeclaration(root)) note("scoring-made-anew");
}

interface PartSetting {
  readonly responseTo: FoundPart["responseTo"];
  readonly words: FoundPart["words"];
  readonly note: Note;
  readonly points: number | null;
  /** Which of several boxes in a text it is, from 0; -1 where there is one. */
  readonly numbered: number;
}

function readPart(
  { id, kind, interactions, content, frame, rubric }: PartAt,
  place: number,
  setting: PartSetting,
): PartBody {
  const own = id ?? String.fromCharCode(97 + (place % 26)) + (place < 26 ? "" : String(Math.floor(place / 26)));
  const found: FoundPart = { id: own, interactions, content, rubric, ...setting };
  const made = kind === "gap-match" ? ({ id: own, ...readGapMatch(found) } as PartBody) : qtiRoomOf(kind).read(found);
  const question = [
    ...(frame ? within(frame, ({ attributes }) => attributes.class === "oxbow-prompt") : []),
    ...interactions.flatMap((one) => childrenOf(one, "qti-prompt")),
  ].map(setting.words);
  const asked =
    question.length > 0 ? question.join("\n") : setting.numbered >= 0 ? `(${setting.numbered + 1})` : undefined;
  const points = Number(frame?.attributes["data-points"]);
  const skillIds = (frame?.attributes["data-skills"] ?? "").split(" ").filter((skillId) => skillId !== "");
  return {
    ...made,
    id: own,
    ...(asked === undefined ? {} : { prompt: asked }),
    ...(Number.isInteger(points) && points > 0 ? { points } : {}),
    ...(skillIds.length > 0 ? { skillIds } : {}),
  };
}

/** The words around the parts, with the table and the strips that were written as such. */
function stemOf(
  body: Xml,
  parts: readonly PartAt[],
  boxes: readonly PartAt[],
  { note, pictures }: Pick<BesideItem, "pictures"> & { readonly note: Note },
) {
  const held = new Set<Xml>(parts.flatMap((part) => [...(part.frame ? [part.frame] : []), ...part.content]));
  const table: { label: string; cells: string[] }[] = [];
  const images: ItemImage[] = [];
  const strips: { label: string; count: string; per?: string }[] = [];
  const text = textOf(body.children, note, (element) => {
    if (held.has(element)) return "";
    if (element.name === "img") return addImage(element, images, pictures, note) ? "" : null;
    const isOwn = (name: string) => element.attributes.class === name;
    if (element.name === "qti-printed-variable") throw new Unreadable("draws-its-numbers");
    if (["qti-rubric-block", "qti-feedback-block", "qti-feedback-inline", "qti-template-block"].includes(element.name))
      return "";
    if (isInteraction(element)) {
      const box = boxes.findIndex(({ interactions }) => interactions[0] === element);
      if (box < 0) return "";
      return boxes.length > 1 ? `(${box + 1}) ____` : "____";
    }
    if (isOwn("oxbow-table")) return readTable(element, table, note) ? "" : null;
    if (isOwn("oxbow-strips")) {
      for (const { attributes, children } of named(element, "li")) {
        const [count, per] = [
          numberLiteral(attributes["data-count"] ?? ""),
          numberLiteral(attributes["data-per"] ?? ""),
        ];
        if (count !== null)
          strips.push({ label: heldBraces(textOf(children, note)), count, ...(per === null ? {} : { per }) });
      }
      return "";
    }
    return null;
  });
  // A box at the end of the words says nothing that the answer's own box does not.
  const plain = boxes.length === 1 ? text.replace(/\n____$/, "") : text;
  return { text: heldBraces(plain === "____" ? "" : plain), table, strips, images };
}

/** Pictures that an item can show. */
const MOST_IMAGES = 4;

/** Takes a picture that can be shown; one without words for those who don't see it goes by its file's name, which is noted. */
function addImage(
  { attributes, line }: Xml,
  images: ItemImage[],
  pictures: BesideItem["pictures"],
  note: Note,
): boolean {
  const { src = "", alt = "" } = attributes;
  const picture = images.length < MOST_IMAGES ? pictures(src) : null;
  if (picture === null) return false;
  const name = src.split("/").at(-1) ?? "";
  if (alt.trim() === "") note("picture-without-words", name.slice(0, 80), line);
  images.push({ picture, alt: heldBraces(alt.trim() || name) });
  return true;
}

/** Rows of numbers and of what is asked for; false where a cell is anything else. */
function readTable(element: Xml, table: { label: string; cells: string[] }[], note: Note): boolean {
  const rows = named(element, "tr").map((row) => ({
    label: heldBraces(textOf(childOf(row, "th")?.children ?? [], note)),
    cells: childrenOf(row, "td").map((cell) => {
      const words = rawText(cell).trim();
      return words === "?" ? words : numberLiteral(words);
    }),
  }));
  const sound = rows.flatMap(({ label, cells }) =>
    cells.every((cell) => cell !== null) && cells.length > 0 ? [{ label, cells: cells as string[] }] : [],
  );
  if (sound.length < rows.length) return false;
  table.push(...sound);
  return true;
}

/** A question has words: where the document has none around its parts, those of the first part, or its title. */
function withQuestion({
  stem,
  parts,
  title,
}: {
  readonly stem: string;
  readonly parts: readonly PartBody[];
  readonly title: string;
}) {
  const [first, ...others] = parts;
  if (stem !== "" || !first) return { stem, parts };
  if (first.prompt === undefined) return { stem: heldBraces(title), parts };
  const { prompt, ...rest } = first;
  return { stem: prompt, parts: [rest as PartBody, ...others] };
}

/** The points of an item of one part, where it says no part's own. */
function withPoints(root: Xml, parts: readonly PartBody[]): readonly PartBody[] {
  const [part, another] = parts;
  const points = mostPoints(root);
  if (!part || another || part.points !== undefined || points === null || points < 2) return parts;
  return [{ ...part, points }];
}

/** Whole points that an item says it is worth, 1 to 100; null where it says nothing of the kind. */
function mostPoints(root: Xml): number | null {
  const most = childrenOf(root, "qti-outcome-declaration").find(
    ({ attributes }) => attributes.identifier === "MAXSCORE",
  );
  const points = most ? Number(rawText(most).trim()) : Number.NaN;
  return Number.isInteger(points) && points >= 1 && points <= 100 ? points : null;
}

function contextOf(root: Xml): Map<string, string> {
  const said = childrenOf(root, "qti-context-declaration");
  return new Map(said.map((one) => [one.attributes.identifier ?? "", rawText(one).trim()]));
}
