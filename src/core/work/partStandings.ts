import { reachesCut } from "../measurement/reachesCut";
import type { OpeningRule } from "../model/work";
import type { Rational } from "../numeric/rational";

/** A part of a piece of work, with what one student has of it. */
export interface PartOfStudent {
  readonly id: string;
  readonly opening: readonly OpeningRule[];
  readonly begun: boolean;
  readonly done: boolean;
  /** Exact, 0 to 1; null where there is none. */
  readonly mark: Rational | null;
  /** How many skills the student missed in the part that this one follows; null for a part that follows none, or while that is not known. */
  readonly toFollow: number | null;
  /** A teacher opened it for this student. */
  readonly opened: boolean;
}

/** Where a student is with a part. "not-needed": its rules say that it is not for this student. */
export type PartStanding =
  | { readonly state: "done" | "open" | "not-needed" }
  /** What is still to come before it opens. */
  | { readonly state: "locked"; readonly waitsFor: readonly OpeningRule[] };

type Verdict = "holds" | "waits" | "fails";

/**
 * Where a student is with each part of a piece of work, in its order. A teacher who opens a part sets its rules aside, and what was begun stays
 * open. A rule about a part that is not there, or that this student does not need, stops nobody.
 * @example partStandings([{ id: "a", opening: [], begun: false, done: false, mark: null, toFollow: null, opened: false }], 0) // [{ state: "open" }]
 */
export function partStandings(parts: readonly PartOfStudent[], now: number): PartStanding[] {
  const known = new Map<string, PartStanding>();
  const standingOf = (part: PartOfStudent, asked: readonly string[]): PartStanding => {
    const before = known.get(part.id);
    if (before) return before;
    const found = standing(part, [...asked, part.id]);
    known.set(part.id, found);
    return found;
  };
  const standing = (part: PartOfStudent, asked: readonly string[]): PartStanding => {
    if (part.done) return { state: "done" };
    if (part.opened || part.begun) return { state: "open" };
    const verdicts = part.opening.map((rule) => ({ rule, verdict: verdictOn(rule, asked) }));
    if (verdicts.some(({ verdict }) => verdict === "fails") || part.toFollow === 0) return { state: "not-needed" };
    const waitsFor = verdicts.filter(({ verdict }) => verdict === "waits").map(({ rule }) => rule);
    return waitsFor.length === 0 ? { state: "open" } : { state: "locked", waitsFor };
  };
  const verdictOn = (rule: OpeningRule, asked: readonly string[]): Verdict => {
    if (rule.by === "day") return now >= rule.at ? "holds" : "waits";
    if (rule.by === "word") return "waits";
    const other = parts.find(({ id }) => id === rule.partId);
    // Parts that wait for each other would wait for ever.
    if (!other || asked.includes(other.id)) return "holds";
    const { state } = standingOf(other, asked);
    if (state === "not-needed") return rule.by === "done" ? "holds" : "fails";
    if (state !== "done") return "waits";
    if (rule.by === "done") return "holds";
    const reached = other.mark !== null && reachesCut(other.mark, rule.percent);
    return reached === (rule.by === "reached") ? "holds" : "fails";
  };
  return parts.map((part) => standingOf(part, []));
}

/**
 * Whether a student is through with everything that is for them.
 * @example isThrough([{ state: "done" }, { state: "not-needed" }]) // true
 */
export const isThrough = (standings: readonly PartStanding[]): boolean =>
  standings.every(({ state }) => state === "done" || state === "not-needed");
