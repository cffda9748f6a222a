import type { ChangeArea } from "./changeArea";
import type { GoalLevel, GoalUnit } from "./goal";
import type { TalkReason } from "./talk";

/** What the history says of changes that reports lead to, by their kind. */
export interface EvidenceFacts {
  /** Of one person by id, or of several. */
  readonly "talk-noted": {
    readonly skill: string;
    readonly reason: TalkReason;
    readonly personId: string | null;
    readonly students: number;
  };
  /** What was not handed in counts as nought, or does not any more. */
  readonly "nought-said": {
    readonly title: string;
    readonly personId: string | null;
    readonly students: number;
    readonly counts: boolean;
  };
  /** What classes are expected to do in a whole week. */
  readonly "week-expected": { readonly classes: readonly string[]; readonly minutes: number; readonly pieces: number };
  /** A class is to come to something by a day: an amount each, or skills at a level. */
  readonly "goal-set": {
    readonly classes: readonly string[];
    readonly aim: "amount" | "level";
    readonly unit: GoalUnit | null;
    readonly target: number | null;
    readonly level: GoalLevel | null;
    readonly skills: number;
    readonly untilDay: string;
  };
  readonly "goal-given-up": { readonly className: string };
  /** A colleague was pointed to a view. */
  readonly "pointer-sent": { readonly personId: string; readonly forDay: string };
  readonly "pointer-done": { readonly personId: string };
  readonly "report-taken-out": { readonly report: string; readonly format: "csv" | "xlsx" | "package" };
}

export const AREA_OF_EVIDENCE: Readonly<Record<keyof EvidenceFacts, ChangeArea>> = {
  "talk-noted": "work",
  "nought-said": "work",
  "week-expected": "work",
  "goal-set": "work",
  "goal-given-up": "work",
  "pointer-sent": "work",
  "pointer-done": "work",
  "report-taken-out": "export",
};
