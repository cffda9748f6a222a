import type { PartSituation } from "@/core/work/partSituation";

/** A run at which nothing has happened: no student known, no skills, no items. Tests say what is theirs. */
export const EMPTY_SITUATION: PartSituation = {
  settings: { items: 4 },
  skillIds: [],
  skills: new Map(),
  picked: [],
  states: new Map(),
  state: {},
  grade: 6,
  interests: [],
  extraMinutes: 0,
  timeFactor: 1,
  activeMilliseconds: 0,
  day: 20_000,
  items: [],
  extraItems: 0,
  itemShare: 1,
  placements: new Map(),
  metDaysAgo: new Map(),
  parametersOf: () => ({ a: 1.4, b: 0, c: 0 }),
};
