import { curve, studentWith, type World } from "./world";

/** Typed answers come right by luck more often than thought: small numbers, a pattern, the only two that fit. */
export const guessable: World = {
  name: "guessable typed answers",
  note: "one in five without knowing, described as none",
  open: (random, difficulty) => () =>
    studentWith(random, difficulty, {
      chance: (ability, { parameters: { a, b, c } }) => curve(ability, { a, b, c: Math.max(c, 0.2) }),
    }),
};
