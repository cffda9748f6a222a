import type { SlipKind } from "../answers/algebra/slip";
import type { DecimalMark } from "../model/decimalMark";
import type { ParameterValues } from "./drawParameters";
import type { PartRemark } from "./partRemark";
import { isTexts } from "./textsByName";
import type { Verdict } from "./verdict";
import type { RubricCriterion } from "./written/body";

/** What a part is drawn with. */
export interface DrawSetting {
  readonly values: ParameterValues;
  readonly words: Readonly<Record<string, string>>;
  /** Fills the slots of a text. */
  readonly say: (text: string) => string;
  /** The item's own random numbers, after those that chose its values and story. */
  readonly random: () => number;
  /** For errors: which item it is. */
  readonly itemId: string;
}

/** A wrong response that a known misconception explains. */
export interface Mistake<Response> {
  readonly misconceptionId: string;
  readonly response: Response;
}

/** What can be said of a response without telling the answer: its first wrong line with the likely slip, or that it is true and not at its end. */
export type ResponseNote =
  | { readonly code: "line-wrong"; readonly line: number; readonly slip: SlipKind | null }
  | { readonly code: "not-ended" };

/**
 * A kind of item part: how it is drawn, what of it a student may see, how a response is read, checked and worded. Everything
 * that depends on the kind stands in its room, so that nothing outside asks which kind it is.
 */
export interface ItemRoom<Body, Drawn, Shown, Response> {
  /** The part as a draw gives it. Throws "bad-item" when the body breaks its own rules. */
  readonly draw: (body: Body, setting: DrawSetting) => Drawn;
  /** Stable ids in the order of showing; empty where nothing is ordered. */
  readonly order: (drawn: Drawn) => readonly string[];
  /** The same part in an order kept from before. */
  readonly inOrder: (drawn: Drawn, ids: readonly string[]) => Drawn;
  /** Texts that there are to choose from; empty where something is to be written. */
  readonly optionTexts: (drawn: Drawn) => readonly string[];
  /** The text that the part stands in, what there is to choose from in square brackets; absent where it has none of its own. */
  readonly runningText?: (drawn: Drawn) => string;
  /** What a student's browser gets: nothing in it tells the answer. */
  readonly shown: (drawn: Drawn) => Shown;
  /** A response as a browser sends it, with stable ids in place of what was shown; null when it is none of this kind. */
  readonly received: (drawn: Drawn, sent: unknown) => Response | null;
  /** `decimalMark`: the usual one where the response was typed. */
  readonly check: (drawn: Drawn, response: Response, decimalMark: DecimalMark) => Verdict;
  /** A response as it stood on the screen. */
  readonly responseWords: (drawn: Drawn, response: Response) => string;
  /** What to say to a student of a response that is not right, beyond what it earned; null or absent where there is nothing. */
  readonly said?: (drawn: Drawn, response: Response) => ResponseNote | null;
  /** By what a person scores a response; absent where it is scored at once. */
  readonly rubric?: (drawn: Drawn) => readonly RubricCriterion[];
  readonly rightResponse: (drawn: Drawn) => Response;
  readonly mistakes: (drawn: Drawn) => readonly Mistake<Response>[];
  /** Chance of a right response by mere guessing, 0 to 1, as the part comes out with these values: what is not shown can't be guessed. */
  readonly guessing: (body: Body, values: ParameterValues) => number;
  /** Texts of the body that people read, slots as they stand: for search and for checks of what is written. */
  readonly texts: (body: Body) => readonly string[];
  /** What an author should know of the part as it was drawn; empty when nothing is odd. */
  readonly remarks: (body: Body, setting: DrawSetting, drawn: Drawn) => readonly PartRemark[];
}

/**
 * A record of the browser's with a text under a name; null when it is none.
 * @example sentText({ text: "7" }, "text") // "7"
 */
export function sentText(sent: unknown, name: string): string | null {
  const value = typeof sent === "object" && sent !== null ? (sent as Record<string, unknown>)[name] : undefined;
  return typeof value === "string" ? value : null;
}

/**
 * A record of the browser's with texts by name under a name; null when it is none.
 * @example sentNames({ pairs: { "1": "B" } }, "pairs") // { "1": "B" }
 */
export function sentNames(sent: unknown, name: string): Readonly<Record<string, string>> | null {
  const value = typeof sent === "object" && sent !== null ? (sent as Record<string, unknown>)[name] : undefined;
  return isTexts(value) ? (value as Record<string, string>) : null;
}

/**
 * A record of the browser's with a list of texts under a name; null when it is none.
 * @example sentList({ order: ["B", "A"] }, "order") // ["B", "A"]
 */
export function sentList(sent: unknown, name: string): readonly string[] | null {
  const value = typeof sent === "object" && sent !== null ? (sent as Record<string, unknown>)[name] : undefined;
  return Array.isArray(value) && value.every((one) => typeof one === "string") ? value : null;
}
