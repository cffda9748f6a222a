import type { DrawnItem } from "@/core/items/drawItem";
import type { ItemBody, PartBody } from "@/core/items/itemBody";
import type { ExchangeItem } from "../exchange/exchangeItem";
import { numberLiteral } from "../exchange/literals";
import type { WrittenPart } from "./kinds/qtiRoom";
import { qtiRoomOf } from "./kinds/qtiRooms";
import { qtiName } from "./names";
import { declaration, processing } from "./writeProcessing";
import { paragraphs } from "./writeText";
import { type Xml, xml } from "./xml/xml";

const NAMESPACE = "http://www.imsglobal.org/xsd/imsqtiasi_v3p0";

export interface WrittenItem {
  readonly root: Xml;
  /** Drawings by the name under which the item refers to them. */
  readonly pictures: Readonly<Record<string, string>>;
}

/**
 * One draw of an item as a document of Question and Test Interoperability 3.0 (1EdTech 2022): a program that knows nothing but the
 * standard shows it, scores it, with partial credit as here, and tells the misconceptions that an answer shows.
 */
export function writeItem(
  item: ExchangeItem,
  drawn: DrawnItem,
  pathOfPicture: (hash: string) => string | null = () => null,
): WrittenItem {
  const itemName = qtiName(item.id);
  const parts = item.body.parts.map((part, place) => {
    const own = drawn.parts[place];
    const written = qtiRoomOf(part.kind).write(part, own?.drawn, {
      id: part.id,
      prompt: own?.prompt ?? null,
      itemName,
    });
    return { part, points: part.points ?? 1, written };
  });
  const most = parts.reduce((sum, { points }) => sum + points, 0);
  const responses = parts.flatMap(({ written, points }) => written.responses.map((one) => ({ one, points })));
  const told = [drawn.hint === "" ? null : "HINT", drawn.solution === "" ? null : "SOLUTION"].flatMap(
    (one) => one ?? [],
  );
  const root = xml(
    "qti-assessment-item",
    {
      xmlns: NAMESPACE,
      identifier: itemName,
      title: item.title,
      "xml:lang": item.language,
      adaptive: "false",
      "time-dependent": "false",
      "tool-name": "Oxbow",
    },
    ...context(item),
    ...responses.map(({ one, points }) => declaration(one, points)),
    outcome("SCORE", "float", "0", responses.some(({ one }) => one.judging.how === "person") ? "human" : undefined),
    outcome("MAXSCORE", "float", String(most)),
    xml("qti-outcome-declaration", { identifier: "MISCONCEPTION", cardinality: "multiple", "base-type": "string" }),
    ...(told.length > 0
      ? [xml("qti-outcome-declaration", { identifier: "FEEDBACK", cardinality: "multiple", "base-type": "identifier" })]
      : []),
    ...(item.passage
      ? [
          xml("qti-assessment-stimulus-ref", {
            identifier: qtiName(item.passage.id),
            href: `../${passageFile(item.passage.id)}`,
          }),
        ]
      : []),
    xml(
      "qti-item-body",
      {},
      stem(item.body, drawn, pathOfPicture),
      ...parts.map(({ part, written }) => frame(part, written)),
    ),
    xml(
      "qti-response-processing",
      {},
      ...responses.flatMap(({ one, points }) => processing(one, points)),
      ...(told.length > 0 ? [tell(told)] : []),
    ),
    ...(drawn.hint === "" ? [] : [feedback("HINT", drawn.hint)]),
    ...(drawn.solution === "" ? [] : [feedback("SOLUTION", drawn.solution)]),
  );
  const pictures = parts.flatMap(({ written }) => written.picture ?? []);
  return { root, pictures: Object.fromEntries(pictures.map(({ name, svg }) => [name, svg])) };
}

/** Where the passage of an item stands in its package. */
export const passageFile = (id: string): string => `passages/${qtiName(id)}.xml`;

const outcome = (identifier: string, baseType: string, value: string, scoredBy?: "human"): Xml =>
  xml(
    "qti-outcome-declaration",
    { identifier, cardinality: "single", "base-type": baseType, "external-scored": scoredBy },
    xml("qti-default-value", {}, xml("qti-value", {}, value)),
  );

/** What a program that gives the item may want to know of it beforehand. */
function context({ depth, calculator, body }: ExchangeItem): Xml[] {
  const offset = numberLiteral(body.difficultyOffset);
  const said: (readonly [string, string, string])[] = [
    ...(depth === null ? [] : [["DEPTH", "integer", String(depth)] as const]),
    ...(calculator ? [["CALCULATOR", "boolean", "true"] as const] : []),
    ...(offset === null || Number(offset) === 0 ? [] : [["DIFFICULTY_OFFSET", "string", offset] as const]),
    ...(body.discrimination === undefined ? [] : [["DISCRIMINATION", "float", String(body.discrimination)] as const]),
  ];
  return said.map(([identifier, baseType, value]) =>
    xml(
      "qti-context-declaration",
      { identifier, cardinality: "single", "base-type": baseType },
      xml("qti-default-value", {}, xml("qti-value", {}, value)),
    ),
  );
}

function stem(body: ItemBody, drawn: DrawnItem, pathOfPicture: (hash: string) => string | null): Xml {
  const images = drawn.images.flatMap(({ picture, alt }) => {
    const path = pathOfPicture(picture);
    return path === null ? [] : [xml("img", { src: `../${path}`, alt })];
  });
  const rows = drawn.table.map(({ label, cells }) =>
    xml("tr", {}, xml("th", { scope: "row" }, label), ...cells.map((cell) => xml("td", {}, cell))),
  );
  const strips = drawn.picture.map(({ label, count, per }, place) =>
    xml(
      "li",
      {
        "data-count": numberLiteral(body.picture?.[place]?.count ?? "") ?? String(count),
        "data-per": per === null ? undefined : String(per),
      },
      label,
    ),
  );
  return xml(
    "div",
    { class: "oxbow-stem" },
    ...paragraphs(drawn.stem),
    ...(images.length > 0 ? [xml("p", { class: "oxbow-images" }, ...images)] : []),
    ...(rows.length > 0 ? [xml("table", { class: "oxbow-table" }, xml("tbody", {}, ...rows))] : []),
    ...(strips.length > 0 ? [xml("ul", { class: "oxbow-strips" }, ...strips)] : []),
  );
}

const frame = (part: PartBody, written: WrittenPart): Xml =>
  xml(
    "div",
    {
      class: "oxbow-part",
      "data-part": part.id,
      "data-kind": part.kind,
      "data-points": part.points === undefined ? undefined : String(part.points),
      "data-skills": part.skillIds?.join(" "),
    },
    ...written.content,
  );

const feedback = (identifier: string, text: string): Xml =>
  xml(
    "qti-modal-feedback",
    { "outcome-identifier": "FEEDBACK", identifier, "show-hide": "show" },
    xml("qti-content-body", {}, ...paragraphs(text)),
  );

/** The explanation is told in any case, the hint when something is wrong. */
function tell(told: readonly string[]): Xml {
  const set = (names: readonly string[]) =>
    xml(
      "qti-set-outcome-value",
      { identifier: "FEEDBACK" },
      xml("qti-multiple", {}, ...names.map((name) => xml("qti-base-value", { "base-type": "identifier" }, name))),
    );
  return xml(
    "qti-response-condition",
    {},
    xml(
      "qti-response-if",
      {},
      xml("qti-lt", {}, xml("qti-variable", { identifier: "SCORE" }), xml("qti-variable", { identifier: "MAXSCORE" })),
      set(told),
    ),
    xml("qti-response-else", {}, set(told.filter((name) => name !== "HINT"))),
  );
}
