import { ANSWER_LENGTHS, type AnswerLength, LINES, type RubricCriterion } from "@/core/items/written/body";
import { heldBraces } from "../../exchange/braces";
import { ownId, qtiName, responseName } from "../names";
import { promptLine } from "../writeText";
import { childOf, named, rawText, within, type Xml, xml } from "../xml/xml";
import { type FoundPart, only, type QtiRoom } from "./qtiRoom";

/** Points of a criterion that another program's document says nothing about. */
const MOST_POINTS = 10;
/** Whom the standard lets see a rubric. */
const [SCORER, CANDIDATE] = ["scorer", "candidate"] as const;
const LINES_OF_SENTENCE = 3;
const LINES_OF_PARAGRAPH = 12;

/** Longer texts, with a rubric for whoever scores them. */
export const written: QtiRoom<"written"> = {
  write: (part, drawn, { id, prompt }) => {
    const name = responseName(id);
    return {
      content: [
        ...promptLine(prompt),
        xml(
          "qti-rubric-block",
          {
            use: "scoring",
            view: [SCORER, ...(part.showCriteria ? [CANDIDATE] : [])].join(" "),
            class: "oxbow-rubric",
          },
          xml("qti-content-body", {}, ...drawn.criteria.map(criterion)),
        ),
        xml("qti-extended-text-interaction", {
          "response-identifier": name,
          "expected-lines": String(LINES[part.length]),
          "data-length": part.length,
        }),
      ],
      responses: [
        {
          name,
          cardinality: "single",
          baseType: "string",
          correct: drawn.keyText === "" ? [] : [drawn.keyText],
          judging: { how: "person" },
          mistakeIs: "whole",
          mistakes: [],
        },
      ],
    };
  },
  read: (found) => {
    const interaction = only(found);
    const { attributes } = interaction;
    const [sample = ""] = found.responseTo(interaction).correct;
    const { rubric } = found;
    const criteria = rubric.flatMap((block) => within(block, isCriterion)).map((one) => readCriterion(one, found));
    const isShown = rubric.some((block) => (block.attributes.view ?? "").split(" ").includes(CANDIDATE));
    return {
      kind: "written",
      length:
        ANSWER_LENGTHS.find((known) => known === attributes["data-length"]) ?? lengthOf(attributes["expected-lines"]),
      showCriteria: isShown,
      criteria: criteria.length > 0 ? criteria : [foreignCriterion(found, rubric)],
      sample: heldBraces(sample),
    };
  },
};

const isCriterion = ({ attributes }: Xml): boolean => attributes.class === "oxbow-criterion";

function criterion({ id, name, levels, weight }: RubricCriterion): Xml {
  return xml(
    "div",
    {
      class: "oxbow-criterion",
      "data-criterion": qtiName(id),
      "data-weight": weight === undefined ? undefined : String(weight),
    },
    xml("p", {}, name),
    xml("ul", {}, ...levels.map((words) => xml("li", {}, words))),
  );
}

function readCriterion(element: Xml, { words }: FoundPart): RubricCriterion {
  const { "data-criterion": id = "", "data-weight": said } = element.attributes;
  const weight = Number(said);
  const name = childOf(element, "p");
  const levels = named(element, "li").map(words);
  return {
    id: ownId(id) || "a",
    name: name ? words(name) : "",
    levels: levels.length > 1 ? levels : ["", ...levels, ""].slice(0, 2),
    ...(said !== undefined && weight > 0 && Number.isFinite(weight) ? { weight } : {}),
  };
}

/** Of a document that has no criteria: the answer as a whole, for as many points as it says, the words for scorers at the most. */
function foreignCriterion({ points, words }: FoundPart, rubric: readonly Xml[]): RubricCriterion {
  const most = Math.min(points ?? 1, MOST_POINTS);
  const said = rubric.filter((block) => rawText(block).trim() !== "").map(words);
  return { id: "a", name: "", levels: [...Array.from({ length: most }, () => ""), said.join("\n")] };
}

function lengthOf(lines: string | undefined): AnswerLength {
  const count = Number(lines ?? Number.NaN);
  if (count <= LINES_OF_SENTENCE) return "sentence";
  return count > LINES_OF_PARAGRAPH ? "page" : "paragraph";
}
