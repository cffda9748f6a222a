import { BEGINS, studentWith, type World } from "./world";

/** A class whose mean stands so many logits above the boundary of mastery (under it: below 0), without learning. */
export const standing = (mean: number): World => ({
  name: `class standing at ${mean}`,
  note: "logits from the boundary, no learning",
  open: (random, difficulty) => () => studentWith(random, difficulty, { mean: mean + BEGINS }),
});
