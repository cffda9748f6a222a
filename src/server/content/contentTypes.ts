import "server-only";
import type { Misconception } from "@/core/model/content";
import type { passageOf } from "./authored/passage";
import type { skillOf } from "./authored/skill";
import type { unitOf } from "./authored/unit";

/** A standard of a framework. */
export interface StandardRow {
  readonly id: string;
  readonly parentId?: string;
  readonly type: string;
  readonly code: string;
  readonly statement: string;
  readonly gradeLow?: number;
  readonly gradeHigh?: number;
}

export interface StandardLink {
  readonly from: string;
  readonly kind: "same" | "related" | "part-of";
  readonly to: string;
}

export interface FrameworkContent {
  readonly framework: {
    readonly id: string;
    readonly title: string;
    readonly version: string;
    readonly language: string;
  };
  readonly standards: readonly StandardRow[];
  readonly links: readonly StandardLink[];
}

/** One skill with what is taught in it and its items. */
export interface SkillContent extends Omit<ReturnType<typeof skillOf>, "difficulty"> {
  readonly grade: number;
  /** Place on the vertical scale in logits; 0 is the end of grade 6, about 0.5 a grade. */
  readonly difficulty: number;
}

export type PassageContent = ReturnType<typeof passageOf>;

export type UnitContent = ReturnType<typeof unitOf>;

/** A subject's content as it ships. */
export interface SubjectContent extends FrameworkContent {
  readonly subject: { readonly id: string; readonly name: string };
  /** In teaching order: nothing stands before what it builds on. */
  readonly skills: readonly SkillContent[];
  readonly misconceptions: readonly Misconception[];
  readonly passages: readonly PassageContent[];
  /** In teaching order. */
  readonly units: readonly UnitContent[];
  /** Others beside the one that the subject follows by itself. */
  readonly furtherFrameworks: readonly FrameworkContent[];
}
