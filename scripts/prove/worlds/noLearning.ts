import { studentWith, type World } from "./world";

/** Nobody learns from practice: whoever is declared later only had more tries. */
export const noLearning: World = {
  name: "no learning",
  note: "ability stays as it is",
  open: (random, difficulty) => () => studentWith(random, difficulty, {}),
};
