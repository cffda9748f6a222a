import type { PictureStrip } from "@/core/items/drawItem";
import type { ItemKind } from "@/core/items/itemKind";
import type { Passage } from "@/core/items/passage";
import type { ShownOf } from "@/core/items/rooms";
import type { Lesson, SkillTeaching } from "@/core/model/content";
import type { MasteryMark } from "@/core/model/masteryMark";
import type { FinishReason, LineKind, WorkKind } from "@/core/model/work";
import type { DaysView } from "./ownTypes";

/** A part of an item as a student's browser gets it: what its kind shows, and nothing that tells the answer. */
export interface PartView<Kind extends ItemKind = ItemKind> {
  readonly id: string;
  readonly kind: Kind;
  readonly prompt: string | null;
  readonly shown: ShownOf[Kind];
}

/** An item as a student's browser gets it: nothing in it tells the answer. */
export interface ItemView {
  readonly presentationId: string;
  readonly skillId: string;
  /** The text that it is asked about; null for none. */
  readonly passage: Passage | null;
  readonly stem: string;
  readonly images: readonly { readonly picture: string; readonly alt: string }[];
  readonly table: readonly { readonly label: string; readonly cells: readonly string[] }[];
  readonly parts: readonly PartView[];
  /** How many hints there are. */
  readonly hints: number;
  /** Those that the server handed out; with items in reserve all of them, because they are shown without a connection. */
  readonly hintsGiven: readonly string[];
  /** Tries already used on this item. */
  readonly tries: number;
  /** What was said to the last try; null before the first. */
  readonly lastFeedback: Feedback | null;
}

export interface Feedback {
  /** "waiting": a person scores it. */
  readonly verdict: "right" | "partly" | "wrong" | "waiting";
  readonly text: string;
  readonly picture: readonly PictureStrip[];
  /** Given when the item is over: the worked solution and the answer. */
  readonly solution: string | null;
  readonly answer: string | null;
}

/** What changes with every answer of a sitting. */
export interface SittingChange {
  /** The server's clock when it said this, in milliseconds since 1970 UTC. */
  readonly serverNow: number;
  readonly sittingId: string;
  /** 0 to 1. */
  readonly progress: number;
  readonly itemsDone: number;
  readonly itemsRight: number;
  readonly finished: FinishReason | null;
  /** When it is handed in by itself; null where no time is set. */
  readonly endsAt: number | null;
  readonly current: ItemView | null;
  /** Items that may be shown while the server can't be reached; those that the browser has already are left out. */
  readonly reserve: readonly ItemView[];
  /** All of them, in order. */
  readonly reserveIds: readonly string[];
}

/** What stands as the answer to an item that may still be changed. */
export interface StandingView {
  readonly flagged: boolean;
  /** As it stood on the screen where it was given. */
  readonly screen: Readonly<Record<string, unknown>> | null;
}

/** A test in which one may go back and forth until it is handed in. */
export interface WholeView {
  readonly items: readonly ItemView[];
  /** By the item. */
  readonly standing: Readonly<Record<string, StandingView>>;
}

export interface SittingView extends SittingChange {
  readonly workId: string;
  readonly partId: string;
  readonly kind: WorkKind;
  readonly title: string;
  /** Of the part, where the work has several; empty for none. */
  readonly partTitle: string;
  readonly hasParts: boolean;
  /** Null where it goes item by item, and once it is handed in. */
  readonly whole: WholeView | null;
  readonly calculator: boolean;
  /** Its items may be read aloud. */
  readonly readsAloud: boolean;
  /** Of lessons to be read, those that were; null for what is answered. */
  readonly read: readonly string[] | null;
  /** What was not learned yet may be set aside. */
  readonly setsAside: boolean;
  /** Some of what came out is released. */
  readonly hasResults: boolean;
  readonly instructions: string;
  /** The most items that the student is given. */
  readonly mostItems: number;
  /** The class whose plan gave it, for going on with the plan; null for what somebody gave. */
  readonly planClassId: string | null;
  /** Of a review: the skills that were to come back; an item of another lies underneath one that was missed. Null for all else. */
  readonly asked: readonly string[] | null;
  /** The skill, where the student chose it for themselves; null for what was given. */
  readonly ownSkillId: string | null;
  readonly lessons: Readonly<
    Record<string, { readonly name: string; readonly lesson: Lesson; readonly model: SkillTeaching["model"] }>
  >;
}

/** That a whole test is handed in, as the browser keeps it. */
export interface HandInMessage {
  readonly key: string;
  readonly sittingId: string;
  readonly handIn: true;
}

/** One answer as the browser keeps it; the key makes sending it twice harmless. */
export interface AnswerMessage {
  readonly key: string;
  readonly sittingId: string;
  readonly presentationId: string;
  readonly tryNumber: number;
  /** By part of the item. */
  readonly response: Readonly<Record<string, unknown>>;
  /** The same as it stood on the screen, to name the answer in a report. */
  readonly words: string;
  /** How it stood on the screen; only where it may be changed. */
  readonly screen?: Readonly<Record<string, unknown>>;
  readonly flagged?: boolean;
  /** Said to be not learned yet; then the response is empty. */
  readonly setAside?: boolean;
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
  /** Where nothing is told about right or wrong before the end. */
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

/** A part of a piece of work on its student's page. */
export interface OwnPartView {
  readonly partId: string;
  readonly title: string;
  readonly kind: WorkKind;
  readonly state: "open" | "begun" | "done" | "locked" | "not-needed";
  /** What is still to come before it opens, each as a sentence. */
  readonly waitsFor: readonly string[];
  readonly hasResults: boolean;
  /** Done on paper: nothing is opened here. */
  readonly onPaper: boolean;
}

export interface PartsView {
  readonly workId: string;
  readonly title: string;
  readonly instructions: string;
  readonly parts: readonly OwnPartView[];
}

/** What a student gets who opens work: its parts, or the run at one of them. */
export type EnteredView =
  | { readonly as: "parts"; readonly view: PartsView }
  | { readonly as: "run"; readonly view: SittingView };

/** What came out of a finished part, as far as it is released. */
export interface ResultsView {
  /** Whether anything is released. */
  readonly released: boolean;
  readonly workId: string;
  readonly title: string;
  readonly partTitle: string;
  readonly handedIn: string;
  /** Points earned of those there were; null while it is not released, or a person still scores some of it. */
  readonly score: { readonly percent: number; readonly earned: string; readonly most: number } | null;
  readonly waiting: number;
  readonly items: readonly ResultItem[] | null;
  /** Skills to work on, where the answers are released. */
  readonly toWorkOn: readonly { readonly skillId: string; readonly name: string }[];
  readonly comments: readonly string[];
  /** The part of the same work in which they are worked on, where it is open. */
  readonly followUp: string | null;
}

export interface ResultItem {
  readonly id: string;
  readonly stem: string;
  readonly given: string;
  readonly verdict: "right" | "partly" | "wrong" | "blank" | "waiting";
  readonly key: string;
  /** Null while explanations are not released. */
  readonly solution: string | null;
  readonly said: string | null;
}

export interface AnswerReply {
  readonly outcome: AnswerOutcome;
  readonly sitting: SittingChange;
}

/** A student's own page. */
export interface StudentHome {
  readonly name: string;
  /** The server's clock, in milliseconds since 1970 UTC. */
  readonly serverNow: number;
  readonly lines: readonly LineView[];
  /** What was given, in the order in which it goes first. */
  readonly now: readonly StudentWork[];
  /** What the plans of their classes give next, without anybody having given it. */
  readonly next: readonly StudentNext[];
  /** What comes back today of what was learned, class by class. */
  readonly reviews: readonly StudentReviewToday[];
  readonly later: readonly StudentWork[];
  /** Whose time ran out unfinished, not long ago. */
  readonly over: readonly StudentWork[];
  readonly done: readonly StudentWork[];
  /** Skills the river is drawn from, in the order in which they were secured. */
  readonly river: readonly { readonly name: string; readonly chance: number; readonly mark: MasteryMark }[];
  readonly days: DaysView;
  /** What they chose for themselves and left open. */
  readonly own: readonly StudentWork[];
}

export interface StudentNext {
  readonly classId: string;
  readonly subject: string;
  /** Null when nothing is open here: all is mastered, or what is left is for another place. */
  readonly open: {
    readonly title: string;
    /** The skill of the plan for which this is needed first. */
    readonly neededFor: string | null;
    readonly begun: boolean;
  } | null;
  readonly onlyElsewhere: boolean;
}

export interface StudentReviewToday {
  readonly classId: string;
  /** Empty where the class has no subject of its own. */
  readonly subject: string;
  readonly skills: number;
  readonly minutes: number;
  readonly state: "due" | "begun" | "done";
}

export interface StudentWork {
  readonly workId: string;
  readonly title: string;
  /** Of its first part. */
  readonly kind: WorkKind;
  readonly partCount: number;
  readonly progress: number;
  readonly begun: boolean;
  readonly finished: FinishReason | null;
  /** Null where it has no due day. */
  readonly due: string | null;
  readonly overdue: boolean;
  readonly opens: string | null;
  /** Until when it is taken; null where nothing ends it. */
  readonly until: string | null;
  /** Taken although the due time is over. */
  readonly late: boolean;
  /** The teacher said that it need not be done. */
  readonly excused: boolean;
  /** Done on paper: nothing is opened here. */
  readonly onPaper: boolean;
  /** Work that has to be finished first; null where it may be begun. */
  readonly waitsFor: string | null;
  /** Some of what came out is released. */
  readonly hasResults: boolean;
  /** A further try was given and is not finished. */
  readonly again: boolean;
  /** What a teacher wrote on it. */
  readonly comments: readonly string[];
}

/** A line from a teacher that is still to be read. */
export interface LineView {
  readonly id: string;
  readonly kind: LineKind;
  readonly text: string;
  /** The work that it is about; null for none. */
  readonly workId: string | null;
  readonly from: string;
}

/** What a student's page at work is told from time to time. */
export interface SignsView {
  /** The teacher holds the work up for everybody. */
  readonly paused: boolean;
  readonly endsAt: number | null;
  /** Ended meanwhile, by its time or by the teacher. */
  readonly finished: FinishReason | null;
  readonly lines: readonly LineView[];
}
