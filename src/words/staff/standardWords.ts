import type { StandardChange, StandardField } from "@/core/library/frameworkDifference";
import type { StandardsFault, StandardsFaultCode } from "@/core/library/standardsFault";
import type { CrosswalkKind } from "@/core/library/standardsThrough";
import { listOf } from "../message";

/** How a crosswalk leads from the standard that something was written for to this one. */
export const VIA_WORDS: Readonly<Record<CrosswalkKind, string>> = {
  same: "the same",
  related: "related",
  "part-of": "in part",
};

const FIELD_WORDS: Readonly<Record<StandardField, string>> = {
  code: "its code",
  statement: "its words",
  type: "its level",
  grades: "its grades",
  parent: "what it stands under",
};

/** What an edition changes in a standard: how it read before, or which of it differs. */
export function changedWords({ fields, before, code, statement }: StandardChange): string {
  if (fields.length === 0) return "";
  const was = [
    before && before.code !== code ? `code before: ${before.code || "none"}` : "",
    before && before.statement !== statement ? `before: ${before.statement}` : "",
  ].filter((words) => words !== "");
  const others = fields.filter((field) => field !== "code" && field !== "statement").map((field) => FIELD_WORDS[field]);
  return [...was, ...(others.length > 0 ? [`changed: ${listOf(others)}`] : [])].join("; ");
}

const FAULT_WORDS: Readonly<Record<StandardsFaultCode, (value: string) => string>> = {
  "not-json": () => "The file is no JSON. A standards file (CASE) is; was it saved whole?",
  "not-a-package": () => "it is no part of a standards package (CASE)",
  "too-many": (value) => `${value} entries are more than can be read`,
  missing: () => "it is missing",
  "not-text": (value) => `“${value}” is no text`,
  "too-long": () => "it is far too long",
  twice: (value) => `the identifier “${value}” is there twice`,
  "not-there": (value) => `it names “${value}”, which is not in the file`,
  "two-parents": () => "it stands under two others at once",
  circular: (value) => `“${value}” stands under itself, by way of others`,
};

/** What is wrong with a standards file, and where. */
export function standardsFaultWords({ path, code, value }: StandardsFault): string {
  const said = FAULT_WORDS[code](value);
  return path === "" ? said : `${path}: ${said}.`;
}
