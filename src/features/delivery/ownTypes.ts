import type { Lesson, SkillTeaching } from "@/core/model/content";
import type { ChoiceStanding } from "@/core/work/openToChoose";

/** A skill that a student may choose. */
export interface OwnSkillLine {
  readonly skillId: string;
  readonly name: string;
  readonly standing: ChoiceStanding;
}

export interface OwnSkillsView {
  /** Worth choosing, the first first. */
  readonly worth: readonly OwnSkillLine[];
  /** Everything that is open. */
  readonly strands: readonly { readonly id: string; readonly name: string; readonly skills: readonly OwnSkillLine[] }[];
}

export interface OwnSkillView extends OwnSkillLine {
  readonly personId: string;
  readonly lesson: Lesson;
  readonly model: SkillTeaching["model"];
  readonly words: SkillTeaching["first"]["words"];
  /** What was chosen before and is still open. */
  readonly begun: string | null;
}

/** The days on which a student worked, and the goal that they set. */
export interface DaysView {
  /** Monday to Sunday, the latest week last. */
  readonly weeks: readonly (readonly DayOfWork[])[];
  /** Days of a week; null for no goal. */
  readonly goal: number | null;
  readonly daysThisWeek: number;
}

export interface DayOfWork {
  /** As YYYY-MM-DD. */
  readonly day: string;
  readonly minutes: number;
  readonly pieces: number;
  readonly when: "past" | "today" | "later";
}
