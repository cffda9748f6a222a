import type { ChangeArea } from "@/core/model/changeArea";

/** What an entry is about; comings and goings at the doors are a list of their own. */
export type HistoryArea = ChangeArea | "sign-in";

export interface ClassChoice {
  readonly id: string;
  readonly name: string;
  readonly slug: string;
}

export interface PersonName {
  readonly givenName: string;
  readonly familyName: string;
}

export interface SearchEntry {
  readonly kind: "student" | "skill" | "work" | "group";
  readonly id: string;
  readonly name: string;
  readonly detail: string;
}

export interface HistoryPage {
  readonly entries: readonly HistoryEntry[];
  /** There are older ones. */
  readonly more: boolean;
}

export interface HistoryEntry {
  readonly id: string;
  readonly when: string;
  readonly who: string;
  readonly sentence: string;
  readonly area: HistoryArea;
  readonly undone: boolean;
  readonly mayUndo: boolean;
}
