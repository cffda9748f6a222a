/** What an entry of the history is about. Comings and goings at the doors are kept apart (see `signInKind.ts`). */
export const CHANGE_AREAS = [
  "export",
  "roster",
  "rights",
  "scores",
  "plan",
  "work",
  "groups",
  "supports",
  "library",
  "privacy",
] as const;
export type ChangeArea = (typeof CHANGE_AREAS)[number];
