/** One thing that wants the teacher today, with its reason and the way there. */
export interface TodayLine {
  readonly key: string;
  readonly station: string;
  readonly what: string;
  readonly why: string;
  /** The reason names students: covered while the screen is on the wall. */
  readonly names?: boolean;
  readonly href: string;
  readonly action: string;
  /** Students whom the action lets in at once, instead of leading somewhere. */
  readonly letIn?: readonly string[];
  /** What a colleague pointed to: stays until it is said to be done. */
  readonly pointerId?: string;
  readonly attention: boolean;
}
