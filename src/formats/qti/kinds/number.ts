import { writeNumber } from "@/core/answers/writeNumber";
import type { NumberBody } from "@/core/items/number/body";
import type { Rational } from "@/core/numeric/rational";
import { isDecimal, literalValue, numberLiteral } from "../../exchange/literals";
import { responseName } from "../names";
import { promptLine } from "../writeText";
import { xml } from "../xml/xml";
import { rightValues } from "./choice";
import { only, type QtiRoom, Unreadable } from "./qtiRoom";

const FORMATS = ["fraction", "decimal", "money", "mixed"] as const;

/** As its author wrote it where that is a number, otherwise exactly. */
const written = (expression: string, value: Rational): string =>
  numberLiteral(expression) === expression ? expression : writeNumber(value, "fraction");

/** A number to be written: a box within a line, compared as a number, or letter by letter where it is a fraction. */
export const number: QtiRoom<"number"> = {
  isNarrower: ({ anyRight, answerFormat, unit }) =>
    anyRight === true || unit !== undefined || answerFormat === "fraction" || answerFormat === "mixed",
  write: (part, drawn, { id, prompt }) => {
    const name = responseName(id);
    const key = written(part.answer, drawn.key);
    const mistakes = drawn.misconceptionValues.map((mistake) => ({
      misconceptionId: mistake.id,
      values: [written(part.misconceptions.find((one) => one.id === mistake.id)?.value ?? "", mistake.value)],
    }));
    const areDecimals = [key, ...mistakes.flatMap(({ values }) => values)].every((text) => {
      const value = literalValue(text);
      return value !== null && !text.includes("/") && isDecimal(value);
    });
    const tolerance = part.tolerance === undefined ? null : numberLiteral(part.tolerance);
    const rule = part.right === defaultRule(part.answer) ? undefined : part.right;
    return {
      content: [
        ...promptLine(prompt),
        xml(
          "p",
          {},
          xml("qti-text-entry-interaction", {
            "response-identifier": name,
            "expected-length": "8",
            "data-rule": rule,
            "data-any-right": part.anyRight === undefined ? undefined : String(part.anyRight),
            "data-answer-format": part.answerFormat,
            "data-form": part.form,
            "data-unit": drawn.unit?.word,
            "data-unit-required": drawn.unit ? String(drawn.unit.required) : undefined,
          }),
          ...(drawn.unit ? [` ${drawn.unit.word}`] : []),
        ),
      ],
      responses: [
        {
          name,
          cardinality: "single",
          baseType: areDecimals ? "float" : "string",
          correct: [key],
          judging: areDecimals ? { how: "near", tolerance: tolerance ?? "0" } : { how: "match" },
          mistakeIs: "whole",
          mistakes,
        },
      ],
    };
  },
  read: (found) => {
    const interaction = only(found);
    const response = found.responseTo(interaction);
    const [key] = rightValues(response);
    const answer = key === undefined ? null : numberLiteral(key);
    if (key === undefined) throw new Unreadable("no-key");
    if (answer === null) throw new Unreadable("key-not-a-number", key);
    const { attributes } = interaction;
    const unit = attributes["data-unit"];
    const tolerance = response.tolerance === null ? null : numberLiteral(response.tolerance);
    const format = FORMATS.find((known) => known === attributes["data-answer-format"]);
    const form = (["any", "lowest-terms"] as const).find((known) => known === attributes["data-form"]);
    const body: NumberBody = {
      answer,
      right: attributes["data-rule"] ?? defaultRule(answer),
      ...(tolerance !== null && Number(tolerance) > 0 ? { tolerance } : {}),
      ...(attributes["data-any-right"] === undefined ? {} : { anyRight: attributes["data-any-right"] === "true" }),
      misconceptions: response.mistakes.flatMap(({ misconceptionId, values: [value = ""] }) => {
        const literal = numberLiteral(value);
        return literal === null ? [] : [{ id: misconceptionId, value: literal }];
      }),
      ...(unit === undefined ? {} : { unit: { word: unit, required: attributes["data-unit-required"] === "true" } }),
      ...(format ? { answerFormat: format } : {}),
      ...(form ? { form } : {}),
    };
    return { kind: "number", ...body };
  },
};

const defaultRule = (answer: string): string => `x == ${answer}`;
