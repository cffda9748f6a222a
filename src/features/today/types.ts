/** How soon a line wants somebody: at this moment, before the day is over, in these days. */
export const BANDS = ["now", "today", "week"] as const;
export type Band = (typeof BANDS)[number];

/** One thing that wants the teacher, with its reason and the way there. */
export interface TodayLine {
  /** The same for the same matter on every day. */
  readonly key: string;
  /** What the matter comes to, so that a line that was put off comes back once it is another. */
  readonly state: string;
  readonly band: Band;
  readonly station: string;
  readonly what: string;
  readonly why: string;
  /** The reason names students: covered while the screen is on the wall. */
  readonly names?: boolean;
  readonly href: string;
  readonly action: string;
  /** Whom it is about, where they may be pulled aside from here, and for which skill. */
  readonly pull?: {
    readonly students: readonly { readonly id: string; readonly name: string }[];
    readonly skillId: string | null;
  };
  /** Students whom the action lets in at once, instead of leading somewhere. */
  readonly letIn?: readonly string[];
  /** What a colleague pointed to: stays until it is said to be done. */
  readonly pointerId?: string;
}

/** A line as the page has it: how it is put off is the server's to say. */
export interface ShownLine extends TodayLine {
  /** The state in few letters. */
  readonly said: string;
}

/** A line that was put off, and until when: null for until it is another. */
export interface PutOffLine extends ShownLine {
  readonly untilWords: string | null;
}

export interface TodayView {
  readonly lines: readonly ShownLine[];
  readonly putOff: readonly PutOffLine[];
}

/** How long a line may be put off. */
export const PUT_OFF_FOR = ["next-day", "week", "until-changed"] as const;
export type PutOffFor = (typeof PUT_OFF_FOR)[number];
