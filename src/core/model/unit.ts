/** When an assessment of a unit is proposed, in the order of time. */
export const UNIT_MOMENTS = ["before", "midway", "end"] as const;
export type UnitMoment = (typeof UNIT_MOMENTS)[number];

/** A task of a unit's study page: what to do, how long it takes, and what to read when it is done. */
export interface StudyTask {
  readonly task: string;
  readonly minutes: number;
  readonly afterwards: string;
}

/** What a unit tells a teacher beyond its skills. */
export interface UnitGuide {
  /** What the unit builds. */
  readonly builds: string;
  /** Which pictures and models carry it. */
  readonly pictures: string;
  /** What students bring. */
  readonly before: string;
  /** What comes of it. */
  readonly after: string;
  /** Where students trip, and what helps. */
  readonly trips: readonly { readonly where: string; readonly help: string }[];
  /** About an hour for the teacher before the unit is taught. */
  readonly study: readonly StudyTask[];
  /** What to look for in each assessment that is proposed. */
  readonly checks: Readonly<Record<UnitMoment, string>>;
}
