import { studentWith, type World } from "./world";

/** Everything as the application takes it to be: abilities spread as in a grade, items as described, some learning. */
export const asBelieved: World = {
  name: "as believed, some learning",
  note: "items as described, 0.05 logits an item learned",
  open: (random, difficulty) => () => studentWith(random, difficulty, { pace: 0.05 }),
};
