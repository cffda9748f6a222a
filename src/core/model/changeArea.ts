/** What an entry of the history is about. */
export const CHANGE_AREAS = [
  "sign-in",
  "export",
  "roster",
  "rights",
  "scores",
  "plan",
  "work",
  "groups",
  "supports",
  "privacy",
] as const;
export type ChangeArea = (typeof CHANGE_AREAS)[number];
