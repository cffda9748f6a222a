export interface ClassChoice {
  readonly id: string;
  readonly name: string;
  readonly slug: string;
}

export interface SearchEntry {
  readonly kind: "student" | "skill" | "work" | "group";
  readonly id: string;
  readonly name: string;
  readonly detail: string;
}

export interface HistoryEntry {
  readonly id: string;
  readonly when: string;
  readonly who: string;
  readonly summary: string;
  readonly undone: boolean;
}
