import { around, curve, studentWith, type World } from "./world";

/** Each item is harder or easier, sharper or blunter than described, for everybody in a class alike. */
export const itemsOff: World = {
  name: "item parameters off",
  note: "difficulty by 0.4, sharpness by 0.25 (one standard deviation)",
  open: (random, difficulty) => {
    const offs = new Map<string, { readonly b: number; readonly a: number }>();
    return () =>
      studentWith(random, difficulty, {
        chance: (ability, { itemId, seed, parameters: { a, b, c } }) => {
          const key = `${itemId}#${seed % 6}`;
          const off = offs.get(key) ?? { b: around(random, 0, 0.4), a: around(random, 0, 0.25) };
          offs.set(key, off);
          return curve(ability, { a: Math.max(0.4, a + off.a), b: b + off.b, c });
        },
      });
  },
};
