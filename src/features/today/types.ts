/** One thing that wants the teacher today, with its reason and the way there. */
export interface TodayLine {
  readonly key: string;
  readonly station: string;
  readonly what: string;
  readonly why: string;
  readonly href: string;
  readonly action: string;
  readonly attention: boolean;
}
