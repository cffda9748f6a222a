import { around, curve, studentWith, type World } from "./world";

/** Half of the draws ask for reading as well: two abilities that go together only in part. */
export const severalAbilities: World = {
  name: "several abilities",
  note: "every second draw leans half on another ability",
  open: (random, difficulty) => () => {
    const reading = around(random, 0, 1);
    return studentWith(random, difficulty, {
      chance: (ability, { seed, parameters }) => curve(ability + (seed % 2 === 0 ? 0 : reading / 2), parameters),
    });
  },
};
