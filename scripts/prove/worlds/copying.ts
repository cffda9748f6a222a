import { curve, studentWith, type World } from "./world";

/** One answer in six is a neighbour's, who is mostly right. */
export const copying: World = {
  name: "answers copied from a neighbour",
  note: "one in six, nine of ten right",
  open: (random, difficulty) => () =>
    studentWith(random, difficulty, {
      chance: (ability, { parameters }) => (random() < 1 / 6 ? 0.9 : curve(ability, parameters)),
    }),
};
