import type { ReleaseRules, RetakeRule } from "@/core/model/work";

/** What can be set of a part after it was given. */
export interface LimitsView {
  readonly id: string;
  readonly title: string;
  readonly items: number;
  /** Null for no limit. */
  readonly minutes: number | null;
  readonly tries: number | null;
  readonly calculator: boolean;
  /** Its items stand from the beginning: their number does too. */
  readonly isTest: boolean;
  /** Only read: nothing of it can be set. */
  readonly isRead: boolean;
  /** Tries can be set. */
  readonly hasTries: boolean;
}

/** Work that was given, as it is changed. */
export interface RulesView {
  readonly workId: string;
  readonly title: string;
  readonly instructions: string;
  readonly className: string;
  readonly dueDay: string;
  /** Empty where no late work is taken. */
  readonly closesDay: string;
  readonly onlyAtSchool: boolean;
  readonly unlockCode: string;
  readonly goesFirst: boolean;
  readonly release: ReleaseRules;
  readonly cutPercent: number | null;
  readonly category: string;
  readonly retake: RetakeRule;
  readonly parts: readonly LimitsView[];
  /** Whether it has a test, a test before and one after, or neither. */
  readonly tests: "none" | "one" | "pair";
  /** Classes that were given the same work and share its title, instructions and parts. */
  readonly alsoIn: readonly string[];
  /** Students who have begun. */
  readonly begun: number;
}
