import { curve, studentWith, type World } from "./world";

/** One answer in five is a click in haste. */
export const rushing: World = {
  name: "rushing",
  note: "one answer in five in haste",
  open: (random, difficulty) => () =>
    studentWith(random, difficulty, {
      chance: (ability, { parameters }) => (random() < 0.2 ? parameters.c : curve(ability, parameters)),
    }),
};
