import type { BaseType } from "./baseType";

/** A wrong answer that shows a misconception, in the values of the response variable. */
export interface WrittenMistake {
  readonly misconceptionId: string;
  readonly values: readonly string[];
}

/** How a response is judged by a program that knows nothing but the standard. */
export type Judging =
  /** Right or wrong by the correct response. */
  | { readonly how: "match" }
  /** A number that may lie so far from the key. */
  | { readonly how: "near"; readonly tolerance: string }
  /** Each value earns its share of the part, a wrong one takes the default away; never under 0. */
  | { readonly how: "map"; readonly shares: readonly Share[]; readonly others: number }
  /** Each point in the area about one of these earns its share. */
  | { readonly how: "areas"; readonly points: readonly string[]; readonly radius: number; readonly share: number }
  /** By a person, outside of the document's own rules. */
  | { readonly how: "person" }
  /** Right by how many values there are, whichever. */
  | { readonly how: "count"; readonly count: number };

export interface Share {
  readonly value: string;
  /** Of the whole part, 0 to 1. */
  readonly share: number;
  /** Said of texts only. */
  readonly caseSensitive?: boolean;
}

/** A response variable as it is declared, scored and read for misconceptions. */
export interface WrittenResponse {
  readonly name: string;
  readonly cardinality: "single" | "multiple" | "ordered";
  readonly baseType: BaseType;
  readonly correct: readonly string[];
  readonly judging: Judging;
  /** Whether a mistake is one value among others or the whole response. */
  readonly mistakeIs: "member" | "whole" | "count";
  readonly mistakes: readonly WrittenMistake[];
}
