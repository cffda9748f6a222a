import { around, curve, studentWith, type World } from "./world";

/** Each student finds some items of a skill easier than others of the same difficulty: answers to one hang together. */
export const modelsApart: World = {
  name: "student by item dependence",
  note: "0.6 logits between a student's items (one standard deviation)",
  open: (random, difficulty) => () => {
    const apart = new Map<string, number>();
    return studentWith(random, difficulty, {
      chance: (ability, { itemId, parameters }) => {
        const own = apart.get(itemId) ?? around(random, 0, 0.6);
        apart.set(itemId, own);
        return curve(ability + own, parameters);
      },
    });
  },
};
