import { studentWith, type World } from "./world";

/** Everybody stands just under the boundary and practises on. */
export const justUnder: World = {
  name: "just under the boundary",
  note: "0.05 to 0.35 logits under it, no learning",
  open: (random, difficulty) => () => studentWith(random, difficulty, { mean: 0.4 + random() * 0.3, spread: 0 }),
};
