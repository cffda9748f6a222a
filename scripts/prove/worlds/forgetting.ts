import { studentWith, type World } from "./world";

/** Half of what practice brought is gone after a week, in steps that no memory model draws. */
export const forgetting: World = {
  name: "forgetting of another shape",
  note: "half of what was learned goes in the first week, then nothing",
  open: (random, difficulty) => () =>
    studentWith(random, difficulty, { pace: 0.08, forgets: (learned, days) => learned * Math.max(0.5, 1 - days / 14) }),
};
