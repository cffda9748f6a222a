import type { BaseType } from "./baseType";
import type { Judging, WrittenMistake, WrittenResponse } from "./response";
import { type Xml, xml } from "./xml/xml";

const value = (text: string): Xml => xml("qti-value", {}, text);
const base = (baseType: BaseType, text: string): Xml => xml("qti-base-value", { "base-type": baseType }, text);
const variable = (identifier: string): Xml => xml("qti-variable", { identifier });
/** Shares as the standard's floating numbers, short and always written alike. */
const float = (share: number): string => String(Number(share.toFixed(6)));

/** The declaration of a response: what kind of value it holds, what is right, and what parts of it are worth. */
export function declaration(response: WrittenResponse, points: number): Xml {
  const { name: identifier, cardinality, baseType, correct, judging } = response;
  return xml(
    "qti-response-declaration",
    { identifier, cardinality, "base-type": baseType },
    ...(correct.length > 0 ? [xml("qti-correct-response", {}, ...correct.map(value))] : []),
    ...mappings(judging, points),
  );
}

function mappings(judging: Judging, points: number): Xml[] {
  if (judging.how === "map")
    return [
      xml(
        "qti-mapping",
        { "lower-bound": "0", "upper-bound": float(points), "default-value": float(judging.others * points) },
        ...judging.shares.map((one) =>
          xml("qti-map-entry", {
            "map-key": one.value,
            "mapped-value": float(one.share * points),
            "case-sensitive": one.caseSensitive === undefined ? undefined : String(one.caseSensitive),
          }),
        ),
      ),
    ];
  if (judging.how === "areas")
    return [
      xml(
        "qti-area-mapping",
        { "lower-bound": "0", "upper-bound": float(points), "default-value": "0" },
        ...judging.points.map((point) =>
          xml("qti-area-map-entry", {
            shape: "circle",
            coords: `${point.replace(" ", ",")},${judging.radius}`,
            "mapped-value": float(judging.share * points),
          }),
        ),
      ),
    ];
  return [];
}

/** The rules that add what a response earned to the score, and note the misconceptions that it shows. */
export function processing(response: WrittenResponse, points: number): Xml[] {
  const { judging, name } = response;
  if (judging.how === "person") return [];
  const earned =
    judging.how === "map"
      ? [add("SCORE", xml("qti-map-response", { identifier: name }))]
      : judging.how === "areas"
        ? [add("SCORE", xml("qti-map-response-point", { identifier: name }))]
        : [when(isRight(response), add("SCORE", base("float", float(points))))];
  return [...earned, ...response.mistakes.map((mistake) => when(shows(response, mistake), tell(mistake)))];
}

const add = (identifier: string, worth: Xml): Xml =>
  xml("qti-set-outcome-value", { identifier }, xml("qti-sum", {}, variable(identifier), worth));

const tell = ({ misconceptionId }: WrittenMistake): Xml =>
  xml(
    "qti-set-outcome-value",
    { identifier: "MISCONCEPTION" },
    xml("qti-multiple", {}, variable("MISCONCEPTION"), base("string", misconceptionId)),
  );

const when = (condition: Xml, then: Xml): Xml =>
  xml("qti-response-condition", {}, xml("qti-response-if", {}, condition, then));

function isRight({ name, judging }: WrittenResponse): Xml {
  if (judging.how === "near")
    return xml(
      "qti-equal",
      { "tolerance-mode": "absolute", tolerance: `${judging.tolerance} ${judging.tolerance}` },
      variable(name),
      xml("qti-correct", { identifier: name }),
    );
  if (judging.how === "count") return counts(name, String(judging.count));
  return xml("qti-match", {}, variable(name), xml("qti-correct", { identifier: name }));
}

const counts = (name: string, count: string): Xml =>
  xml("qti-match", {}, xml("qti-container-size", {}, variable(name)), base("integer", count));

function shows({ name, baseType, cardinality, mistakeIs }: WrittenResponse, { values }: WrittenMistake): Xml {
  if (mistakeIs === "count") return counts(name, values[0] ?? "");
  if (mistakeIs === "member") return xml("qti-member", {}, base(baseType, values[0] ?? ""), variable(name));
  const whole = values.map((one) => base(baseType, one));
  const wanted =
    cardinality === "single"
      ? (whole[0] ?? base(baseType, ""))
      : xml(cardinality === "ordered" ? "qti-ordered" : "qti-multiple", {}, ...whole);
  return xml("qti-match", {}, variable(name), wanted);
}
