import type { PraiseCode } from "./weekTypes";

interface Named {
  readonly id: string;
  readonly name: string;
  readonly classId: string;
}

/** Not seen for so many school days, today not counted. */
export interface AwaySign extends Named {
  readonly schoolDays: number;
}

interface OfWork extends Named {
  readonly workId: string;
  readonly title: string;
}

/** A piece of work gone through too fast to have been read. */
export interface RushSign extends OfWork {
  readonly seconds: number;
  readonly rapid: number;
  readonly answers: number;
}

/** A test whose result was hardly to be expected from what was known of the student before. */
export interface SurpriseSign extends OfWork {
  readonly right: number;
  readonly items: number;
  readonly expected: number;
  readonly verdict: "above" | "below";
}

/** What the last days' evidence says without being asked. */
export interface DaySigns {
  readonly away: readonly AwaySign[];
  readonly rushes: readonly RushSign[];
  readonly surprises: readonly SurpriseSign[];
  readonly praise: {
    /** First day of the week that it is about. */
    readonly week: string;
    readonly students: readonly (Named & { readonly because: readonly PraiseCode[] })[];
  };
}
