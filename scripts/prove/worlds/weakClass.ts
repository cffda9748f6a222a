import { studentWith, type World } from "./world";

/** A class that stands far lower than its grade: few have the skill. */
export const weakClass: World = {
  name: "weak class",
  note: "mean a logit under the boundary, no learning",
  open: (random, difficulty) => () => studentWith(random, difficulty, { mean: -0.25 }),
};
