import { studentWith, type World } from "./world";

/** A hint is opened before thinking, at three of four items, and all but tells the answer. */
export const hintAbuse: World = {
  name: "hint abuse",
  note: "three items of four are answered from the hints",
  open: (random, difficulty) => () => studentWith(random, difficulty, { hints: () => (random() < 0.75 ? 3 : 0) }),
};
