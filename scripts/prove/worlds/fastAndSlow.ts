import { studentWith, type World } from "./world";

/** A third learns nothing, a third slowly, a third fast. */
export const fastAndSlow: World = {
  name: "fast and slow learning",
  note: "0, 0.03 or 0.2 logits an item",
  open: (random, difficulty) => () =>
    studentWith(random, difficulty, { pace: [0, 0.03, 0.2][Math.floor(random() * 3)] ?? 0 }),
};
