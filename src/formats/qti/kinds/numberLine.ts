import { writeNumber } from "@/core/answers/writeNumber";
import type { LineMark, LineMarkBody, NumberLineBody } from "@/core/items/numberLine/body";
import { type Rational, rational } from "@/core/numeric/rational";
import { isDecimal, literalValue, numberLiteral } from "../../exchange/literals";
import { responseName } from "../names";
import { prompt, promptLine } from "../writeText";
import { xml } from "../xml/xml";
import { rightValues } from "./choice";
import { only, type QtiRoom, Unreadable } from "./qtiRoom";

/** A point is a slider's value; an interval, which the standard has no interaction for, is written as mathematics writes it. */
export const numberLine: QtiRoom<"number-line"> = {
  write: (part, drawn, frame) => {
    const name = responseName(frame.id);
    const valueAt = (place: number) => drawn.from.add(drawn.step.mul(rational(place)));
    const isPoint = "point" in drawn.right;
    const write = (mark: LineMark): string => (isPoint ? writePoint(mark, valueAt) : writeInterval(mark, valueAt));
    const last = valueAt(drawn.places - 1);
    const line = {
      "data-from": exact(part.from, drawn.from),
      "data-to": exact(part.to, last),
      "data-step": exact(part.step, drawn.step),
      "data-label-every": part.labelEvery === undefined ? undefined : String(drawn.labelEvery),
    };
    const [from, to, step] = [drawn.from, last, drawn.step].map((value) => writeNumber(value, "decimal"));
    return {
      content: isPoint
        ? [
            xml(
              "qti-slider-interaction",
              { "response-identifier": name, "lower-bound": from, "upper-bound": to, step, ...line },
              ...prompt(frame.prompt),
            ),
          ]
        : [
            ...promptLine(frame.prompt),
            xml(
              "qti-custom-interaction",
              { "response-identifier": name, class: "oxbow-interval", ...line },
              xml("p", {}, `${from}, ${writeNumber(valueAt(1), "decimal")}, … ${to}: [a,b] (a,b) [a,inf)`),
            ),
          ],
      responses: [
        {
          name,
          cardinality: "single",
          baseType: isPoint ? "float" : "string",
          correct: [write(drawn.right)],
          judging: isPoint
            ? { how: "near", tolerance: writeNumber(drawn.step.div(rational(1000)), "decimal") }
            : { how: "match" },
          mistakeIs: "whole",
          mistakes: drawn.misconceptionMarks.map(({ id, mark }) => ({ misconceptionId: id, values: [write(mark)] })),
        },
      ],
    };
  },
  read: (found) => {
    const interaction = only(found);
    const { attributes } = interaction;
    const response = found.responseTo(interaction);
    const isPoint = interaction.name === "qti-slider-interaction";
    const needed = (own: string, standard: string, usual?: string): string => {
      const text = numberLiteral(attributes[own] ?? attributes[standard] ?? usual ?? "");
      if (text === null) throw new Unreadable("option-missing", standard);
      return text;
    };
    const [key] = rightValues(response);
    const markOf = (text: string): LineMarkBody => {
      const mark = isPoint ? pointOf(text) : intervalOf(text);
      if (!mark) throw new Unreadable("key-not-a-number", text);
      return mark;
    };
    if (key === undefined) throw new Unreadable("no-key");
    const every = numberLiteral(attributes["data-label-every"] ?? "");
    const body: NumberLineBody = {
      from: needed("data-from", "lower-bound"),
      to: needed("data-to", "upper-bound"),
      step: needed("data-step", "step", "1"),
      ...(every === null ? {} : { labelEvery: every }),
      right: markOf(key),
      misconceptions: response.mistakes.map(({ misconceptionId, values: [text = ""] }) => ({
        id: misconceptionId,
        mark: markOf(text),
      })),
    };
    return { kind: "number-line", ...body };
  },
};

/** As its author wrote it where that is the number itself. */
const exact = (expression: string, value: Rational): string =>
  literalValue(expression)?.equals(value) ? expression : writeExactly(value);

const writeExactly = (value: Rational): string => writeNumber(value, isDecimal(value) ? "decimal" : "fraction");

function writePoint(mark: LineMark, valueAt: (place: number) => Rational): string {
  return "point" in mark ? writeNumber(valueAt(mark.point), "decimal") : "";
}

function writeInterval(mark: LineMark, valueAt: (place: number) => Rational): string {
  if ("point" in mark) return "";
  const low = mark.low === null ? "(-inf" : `${mark.withLow ? "[" : "("}${writeExactly(valueAt(mark.low))}`;
  const high = mark.high === null ? "inf)" : `${writeExactly(valueAt(mark.high))}${mark.withHigh ? "]" : ")"}`;
  return `${low},${high}`;
}

function pointOf(text: string): LineMarkBody | null {
  const point = numberLiteral(text);
  return point === null ? null : { point };
}

function intervalOf(text: string): LineMarkBody | null {
  const [, open, from, to, close] = /^([[(])([^,]+),([^,]+)([\])])$/.exec(text.replace(/\s+/g, "")) ?? [];
  if (from === undefined || to === undefined) return null;
  const [low, high] = [from === "-inf" ? null : numberLiteral(from), to === "inf" ? null : numberLiteral(to)];
  if ((low === null && from !== "-inf") || (high === null && to !== "inf")) return null;
  return { low, high, withLow: low !== null && open === "[", withHigh: high !== null && close === "]" };
}
