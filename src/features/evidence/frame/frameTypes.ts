import type { FrameKey, FrameParams } from "./frameParams";

interface Named {
  readonly id: string;
  readonly name: string;
}

/** Days of a range in words, and as they stand in date fields. */
export interface RangeView {
  readonly from: string;
  readonly to: string;
  readonly words: string;
}

/** The frame as the band above every report shows it: what is decided, in words, and what can be chosen instead. */
export interface FrameView {
  readonly params: FrameParams;
  readonly today: string;
  readonly range: RangeView;
  readonly against: RangeView | null;
  readonly lookedWords: string | null;
  readonly whom: string;
  readonly about: string;
  readonly groups: readonly Named[];
  readonly students: readonly Named[];
  readonly subjects: readonly Named[];
  readonly frameworks: readonly Named[];
  readonly strands: readonly Named[];
  readonly skills: readonly (Named & { readonly strand: string; readonly grade: number })[];
  readonly standards: readonly (Named & { readonly frameworkId: string })[];
  /** What hides something, each with the parameters to drop to see it. */
  readonly hides: readonly { readonly words: string; readonly widen: string; readonly drop: readonly FrameKey[] }[];
}
