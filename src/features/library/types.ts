import type { CrosswalkKind } from "@/core/library/standardsThrough";
import type { Lesson, ReteachPlan, SkillTeaching } from "@/core/model/content";

export interface SkillCard {
  readonly id: string;
  readonly subjectId: string;
  readonly strand: string;
  readonly name: string;
  readonly grade: number;
  readonly code: string;
  readonly items: number;
}

/** The library's skills, and where the list begins for some classes. */
export interface SkillShelves {
  readonly skills: readonly SkillCard[];
  readonly subjects: readonly { readonly id: string; readonly name: string }[];
  /** Grade 0 for all of them. */
  readonly start: { readonly subjectId: string; readonly grade: number };
}

/** A skill as a teacher prepares it: standard, lesson, worked items with their mistakes, reteach plan. */
export interface SkillPage {
  readonly id: string;
  readonly name: string;
  readonly studentName: string;
  readonly grade: number;
  readonly framework: string;
  readonly code: string;
  readonly statement: string;
  /** How a crosswalk leads to the standard; null where the skill itself belongs to it. */
  readonly via: CrosswalkKind | null;
  /** The unit in which it is taught; null for none. */
  readonly unit: { readonly id: string; readonly name: string } | null;
  readonly buildsOn: readonly { readonly id: string; readonly name: string }[];
  readonly unlocks: readonly { readonly id: string; readonly name: string }[];
  readonly lesson: Lesson;
  /** Null for a skill that brings no more than its lesson. */
  readonly teaching: SkillTeaching | null;
  readonly reteach: ReteachPlan;
  /** Names of the misconceptions behind the wrong answers to look at. */
  readonly lookedAt: readonly string[];
  readonly items: readonly {
    readonly itemId: string;
    readonly stem: string;
    readonly table: readonly { readonly label: string; readonly cells: readonly string[] }[];
    /** What there is to choose from; empty where something is to be written. */
    readonly options: readonly string[];
    readonly answer: string;
    readonly solution: string;
    readonly mistakes: readonly { readonly answer: string; readonly name: string }[];
  }[];
}

/** A framework with its standards, in the order of its tree. */
export interface StandardsPageView {
  readonly frameworks: readonly { readonly id: string; readonly title: string }[];
  readonly framework: {
    readonly id: string;
    readonly title: string;
    readonly version: string;
    /** The school's reports name its standards. */
    readonly isFollowed: boolean;
    /** Skills that stand under it, directly or by a crosswalk, of all there are: only these have a code in reports that follow it. */
    readonly skills: number;
    readonly ofSkills: number;
  };
  readonly standards: readonly StandardView[];
  /** May bring standards in, and say which ones the school follows. */
  readonly mayManage: boolean;
}

export interface StandardView {
  readonly id: string;
  readonly parentId: string | null;
  readonly type: string;
  readonly code: string;
  readonly statement: string;
  readonly gradeLow: number | null;
  readonly gradeHigh: number | null;
  readonly skills: readonly { readonly id: string; readonly name: string; readonly via: CrosswalkKind | null }[];
  /** Standards of other frameworks that a crosswalk ties it to. */
  readonly ties: readonly { readonly code: string; readonly statement: string; readonly via: CrosswalkKind }[];
}

/** Skills through the grades with what each builds on; pixels, from the upper left. */
export interface SkillMapView {
  /** The skill that the map is about; null for the whole library. */
  readonly around: { readonly id: string; readonly name: string } | null;
  /** The grade whose skills are shown with their neighbours; null for all or around one skill. */
  readonly grade: number | null;
  readonly width: number;
  readonly height: number;
  readonly node: { readonly width: number; readonly height: number };
  readonly grades: readonly { readonly grade: number; readonly x: number; readonly width: number }[];
  readonly lines: readonly {
    readonly from: string;
    readonly to: string;
    readonly points: readonly { readonly x: number; readonly y: number }[];
  }[];
  /** Of the chosen classes; 0 where none is chosen. */
  readonly students: number;
  readonly skills: readonly MapSkill[];
}

export interface MapSkill {
  readonly id: string;
  readonly name: string;
  readonly grade: number;
  readonly code: string;
  readonly x: number;
  readonly y: number;
  readonly buildsOn: readonly string[];
  readonly leadsTo: readonly string[];
  /** Students of whom enough is known. */
  readonly met: number;
  /** How many of them stand at each level, from the lowest. */
  readonly levels: readonly number[];
}
