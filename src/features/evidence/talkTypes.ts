import type { TalkReason } from "@/core/model/talk";

/** What a talk is about, as its notes keep it. */
export interface TalkSubject {
  readonly skillId: string;
  readonly versionId: string | null;
  readonly assignmentId: string | null;
  readonly misconceptionId: string | null;
}

export interface TalkStudent {
  readonly id: string;
  readonly name: string;
  readonly given: string;
  readonly right: boolean;
  readonly misconception: string | null;
  readonly seconds: number | null;
  readonly hints: number;
  readonly when: string | null;
  /** The item as this student saw it, in `faces`. */
  readonly faceKey: string;
  /** What was noted today about this very thing; null for nothing. */
  readonly noted: TalkReason | null;
  /** Reasons noted in earlier talks about whatever, with how often. */
  readonly before: readonly { readonly reason: TalkReason; readonly times: number }[];
}

/** An item as its students saw it; its look is another feature's, which the page hands in. */
export interface TalkFace {
  readonly key: string;
  readonly face: unknown;
  readonly answer: string;
  readonly solution: string;
}

export interface TalkView {
  readonly title: string;
  readonly skill: string;
  readonly subject: TalkSubject;
  /** What the mistake is and where it comes from; null for an item. */
  readonly explanation: string | null;
  readonly faces: readonly TalkFace[];
  readonly students: readonly TalkStudent[];
  /** Students to whom it was given and who are not in sight: those with another answer. */
  readonly others: number;
  readonly back: { readonly path: string; readonly words: string };
}
