import type { WhyFacts } from "@/core/model/whyFacts";
import type { TimeOrStruggle, WeekOfWork } from "@/core/work/timeOrStruggle";

interface Named {
  readonly id: string;
  readonly name: string;
}

/** One student's week against what was expected of them in it. */
export interface StudentWeek {
  readonly signedIn: boolean;
  readonly minutes: number;
  /** Finished pieces, and those of them on grade. */
  readonly pieces: number;
  readonly onGrade: number;
  readonly expected: WeekOfWork;
  /** Null where nothing was expected: no school day, or not in the class yet. */
  readonly standing: TimeOrStruggle | null;
}

export interface WeekStudent extends Named {
  readonly classId: string;
  /** In the order of the weeks. */
  readonly weeks: readonly StudentWeek[];
  /** This week's minutes against the mean of the weeks before, in per cent; null where it says nothing. */
  readonly momentum: number | null;
}

/** A skill in which practice did not help, open or cleared in these weeks. */
export interface WeekSnag {
  readonly studentId: string;
  readonly name: string;
  readonly skillId: string;
  readonly skill: string;
  readonly since: string;
  readonly sinceDay: number;
  readonly times: number;
  readonly state: "open" | "cleared";
  readonly cleared: string | null;
  /** Who helped before it was cleared; empty for alone. */
  readonly helpers: readonly string[];
  /** Worked on since it opened, or left where it was. */
  readonly goesOn: boolean;
  readonly why: WhyFacts["snag"] | null;
}

export interface WeekView {
  readonly weeks: readonly { readonly from: string; readonly words: string; readonly schoolDays: number }[];
  /** The week in view, as a place in `weeks`. */
  readonly chosen: number;
  readonly expectation: WeekOfWork;
  /** Somebody said what is expected; else it is only what is usual. */
  readonly isSet: boolean;
  readonly classIds: readonly string[];
  readonly students: readonly WeekStudent[];
  readonly snags: readonly WeekSnag[];
  readonly praise: readonly (Named & { readonly because: readonly PraiseCode[]; readonly classId: string })[];
  readonly mayChange: boolean;
}

/** What is worth a word of praise, as a code. */
export type PraiseCode =
  | { readonly code: "through"; readonly pieces: number; readonly expected: number }
  | { readonly code: "cleared-alone"; readonly skill: string }
  | { readonly code: "momentum"; readonly percent: number };
