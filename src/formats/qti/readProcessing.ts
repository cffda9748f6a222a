import type { WrittenMistake } from "./response";
import { childOf, childrenOf, named, rawText, type Xml } from "./xml/xml";

/** A response variable as it was found. */
export interface FoundResponse {
  readonly name: string;
  readonly cardinality: string;
  readonly baseType: string;
  readonly correct: readonly string[];
  readonly mapping: readonly { readonly key: string; readonly value: number; readonly caseSensitive: boolean }[];
  /** How far from the key a number may lie; null where nothing says so. */
  readonly tolerance: string | null;
  readonly mistakes: readonly WrittenMistake[];
}

/** The response variables of an item with what its processing says of them, by name. */
export function foundResponses(item: Xml): Map<string, FoundResponse> {
  const processing = childOf(item, "qti-response-processing");
  const found = new Map<string, FoundResponse>();
  for (const one of childrenOf(item, "qti-response-declaration")) {
    const name = one.attributes.identifier ?? "";
    const correct = childOf(one, "qti-correct-response");
    const mapping = childOf(one, "qti-mapping");
    found.set(name, {
      name,
      cardinality: one.attributes.cardinality ?? "single",
      baseType: one.attributes["base-type"] ?? "identifier",
      correct: correct ? childrenOf(correct, "qti-value").map((value) => rawText(value).trim()) : [],
      mapping: mapping
        ? childrenOf(mapping, "qti-map-entry").map(({ attributes }) => ({
            key: attributes["map-key"] ?? "",
            value: Number(attributes["mapped-value"]) || 0,
            caseSensitive: attributes["case-sensitive"] !== "false",
          }))
        : [],
      tolerance: processing ? toleranceOf(processing, name) : null,
      mistakes: processing ? mistakesOf(processing, name) : [],
    });
  }
  return found;
}

/** The tolerance of a comparison with the correct response, where it is an amount, and the same on both sides. */
function toleranceOf(processing: Xml, name: string): string | null {
  for (const equal of named(processing, "qti-equal")) {
    const [mode, tolerance = ""] = [equal.attributes["tolerance-mode"], equal.attributes.tolerance];
    const isThis = childrenOf(equal).every(({ attributes }) => attributes.identifier === name);
    const [low, high = low] = tolerance.trim().split(/\s+/);
    if (mode === "absolute" && isThis && low === high && low) return low;
  }
  return null;
}

/** Wrong answers after which a misconception is noted. */
function mistakesOf(processing: Xml, name: string): WrittenMistake[] {
  return named(processing, "qti-response-if").flatMap((rule) => {
    const [condition, then] = childrenOf(rule);
    if (!condition || then?.attributes.identifier !== "MISCONCEPTION") return [];
    const about = [condition, ...named(condition, "qti-container-size")].flatMap(
      (one) => childOf(one, "qti-variable") ?? [],
    );
    const misconceptionId = named(then, "qti-base-value").map(rawText)[0];
    if (misconceptionId === undefined || about[0]?.attributes.identifier !== name) return [];
    return [{ misconceptionId, values: named(condition, "qti-base-value").map((value) => rawText(value).trim()) }];
  });
}

/** Whether the processing is one that scores by what is declared: the standard's templates, or the rules that are written here. */
export function scoresByDeclaration(item: Xml): boolean {
  const processing = childOf(item, "qti-response-processing");
  if (!processing) return true;
  if (
    /(match_correct|map_response|map_response_point|cc2_match|cc2_map_response)(\.xml)?$/.test(
      processing.attributes.template ?? "",
    )
  )
    return true;
  return childrenOf(processing).every((rule) => {
    const known = new Set([
      "qti-response-condition",
      "qti-response-if",
      "qti-response-else",
      "qti-set-outcome-value",
      "qti-match",
      "qti-equal",
      "qti-member",
      "qti-multiple",
      "qti-ordered",
      "qti-variable",
      "qti-correct",
      "qti-base-value",
      "qti-sum",
      "qti-map-response",
      "qti-map-response-point",
      "qti-container-size",
      "qti-is-null",
      "qti-not",
      "qti-lt",
    ]);
    const isKnown = (one: Xml): boolean => known.has(one.name) && childrenOf(one).every(isKnown);
    return isKnown(rule);
  });
}
