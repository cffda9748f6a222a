import { curve, studentWith, type World } from "./world";

/** Every item is easier than described: a school's own, say, that nobody calibrated. */
export const easierItems: World = {
  name: "items easier than thought",
  note: "each by 0.4 logits",
  open: (random, difficulty) => () =>
    studentWith(random, difficulty, {
      chance: (ability, { parameters: { a, b, c } }) => curve(ability, { a, b: b - 0.4, c }),
    }),
};
