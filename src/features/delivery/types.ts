import type { PictureStrip } from "@/core/answers/instantiateItem";
import type { Lesson } from "@/core/model/content";

/** An item as a student's browser gets it: nothing in it tells the answer. */
export interface ItemView {
  readonly presentationId: string;
  readonly skillId: string;
  readonly kind: "numeric" | "choice";
  readonly stem: string;
  readonly options: readonly { readonly id: string; readonly text: string }[];
  readonly table: readonly { readonly label: string; readonly cells: readonly string[] }[];
  readonly unit: { readonly word: string; readonly required: boolean } | null;
  readonly hasHint: boolean;
  /** The hint, once the server handed it out; with items in reserve beforehand, because they are shown without a connection. */
  readonly hint: string | null;
  /** Tries already used on this item. */
  readonly tries: number;
  /** What was said to the last try; null before the first. */
  readonly lastFeedback: Feedback | null;
}

export interface Feedback {
  readonly verdict: "right" | "wrong";
  readonly text: string;
  readonly picture: readonly PictureStrip[];
  /** Given when the item is over: the worked solution and the answer. */
  readonly solution: string | null;
  readonly answer: string | null;
}

export interface SittingView {
  /** The server's clock when it said this, in milliseconds since 1970 UTC. */
  readonly serverNow: number;
  readonly sittingId: string;
  readonly workId: string;
  readonly kind: "practice" | "check";
  readonly title: string;
  readonly instructions: string;
  /** 0 to 1. */
  readonly progress: number;
  readonly itemsDone: number;
  readonly itemsRight: number;
  readonly budgetItems: number;
  readonly finished: "mastered" | "budget" | "amount" | null;
  readonly current: ItemView | null;
  /** Items that may be shown while the server can't be reached. */
  readonly reserve: readonly ItemView[];
  readonly lessons: Readonly<Record<string, { readonly name: string; readonly lesson: Lesson }>>;
}

/** One answer as the browser keeps it; the key makes sending it twice harmless. */
export interface AnswerMessage {
  readonly key: string;
  readonly sittingId: string;
  readonly presentationId: string;
  readonly tryNumber: number;
  readonly answer: string;
  readonly hintsUsed: number;
  /** Active time of this try alone. */
  readonly milliseconds: number;
  /** By the server's clock, as the browser reckons it from what the server last told. */
  readonly givenAt: number;
  /** What the device's own clock showed. */
  readonly deviceClock: number;
  /** Given while the server could not be reached: there was no feedback, so there is no second try. */
  readonly offline: boolean;
}

export type AnswerOutcome =
  | {
      readonly status: "scored";
      readonly presentationId: string;
      readonly feedback: Feedback;
      readonly itemOver: boolean;
    }
  /** In a check nothing is told about right or wrong. */
  | { readonly status: "taken"; readonly presentationId: string }
  /** Kept in the log, and counts for nothing. */
  | {
      readonly status: "not-counted";
      readonly presentationId: string;
      readonly reason: NotCounted;
      readonly message: string;
    };

/**
 * "too-late": after the due time; "withdrawn": the teacher took the work back; "over": the work had ended; "elsewhere": this
 * item was answered before, in another window or on another device; "unreadable": the try is not used up.
 */
export type NotCounted = "too-late" | "withdrawn" | "over" | "elsewhere" | "unreadable";

export interface AnswerReply {
  readonly outcome: AnswerOutcome;
  /** Without the lessons: the browser has them since the sitting was opened. */
  readonly sitting: Omit<SittingView, "lessons">;
}

/** A student's own page. */
export interface StudentHome {
  readonly name: string;
  /** The server's clock, in milliseconds since 1970 UTC. */
  readonly serverNow: number;
  readonly now: readonly StudentWork[];
  readonly later: readonly StudentWork[];
  /** Whose time ran out unfinished, not long ago. */
  readonly over: readonly StudentWork[];
  readonly done: readonly StudentWork[];
  /** Skills the river is drawn from, in the order in which they were secured. */
  readonly river: readonly { readonly name: string; readonly chance: number; readonly mastered: boolean }[];
  readonly minutesThisWeek: number;
}

export interface StudentWork {
  readonly workId: string;
  readonly title: string;
  readonly kind: "practice" | "check";
  readonly progress: number;
  readonly begun: boolean;
  readonly finished: "mastered" | "budget" | "amount" | null;
  readonly due: string;
  readonly overdue: boolean;
  readonly opens: string | null;
}
