import type { SkillTeaching } from "@/core/model/content";
import type { UnitGuide, UnitMoment } from "@/core/model/unit";

/** A unit in the list, with the skills that it holds. */
export interface UnitCard {
  readonly id: string;
  readonly subjectId: string;
  readonly grade: number;
  readonly name: string;
  readonly weeks: number;
  readonly skills: readonly { readonly id: string; readonly name: string; readonly code: string }[];
}

/** The units, and the grade with which the list begins for some classes. */
export interface UnitShelves {
  readonly units: readonly UnitCard[];
  readonly subjects: readonly { readonly id: string; readonly name: string }[];
  readonly start: { readonly subjectId: string; readonly grade: number };
}

interface Named {
  readonly id: string;
  readonly name: string;
}

/** A unit as a teacher prepares it. */
export interface UnitPage extends Named {
  readonly grade: number;
  readonly weeks: number;
  /** Which of the grade's units it is, from 1. */
  readonly number: number;
  readonly ofUnits: number;
  readonly guide: UnitGuide;
  readonly skills: readonly (Named & {
    readonly code: string;
    readonly meaning: string;
    readonly model: SkillTeaching["model"];
  })[];
  readonly words: readonly { readonly word: string; readonly means: string }[];
  readonly buildsOn: readonly (Named & { readonly grade: number })[];
  readonly leadsTo: readonly (Named & { readonly grade: number })[];
  readonly checks: readonly {
    readonly moment: UnitMoment;
    readonly skills: readonly Named[];
    readonly items: number;
  }[];
  readonly earlier: Named | null;
  readonly later: Named | null;
}
