import { around, BEGINS, curve, type WorldItem } from "./world";

/** A student in a chain of skills, each building on the one before; written without the application's own computation. */
export interface Visited {
  /** An answer in a skill, by its place in the chain. */
  answer(skill: number, item: WorldItem): boolean;
  /** What some answers with a teacher beside would bring: the share of typical items right, after less before. */
  gainOf(skill: number, answers: number): number;
}

/** Logits by which an answer with help brings somebody on who has what it builds on, and somebody who has not. */
const READY_PACE = 0.3;
const UNREADY_PACE = 0.04;
/** Whom it does not reach however ready: this share. */
const UNREACHED = 0.3;

/** Students of one class; `difficulties` of the skills in the chain's order, in logits. */
export function visitedClass(random: () => number, difficulties: readonly number[]): () => Visited {
  return () => {
    const level = around(random, difficulties[2] ?? 0, 1) + BEGINS;
    const abilities = difficulties.map(() => level + around(random, 0, 0.6));
    const reached = difficulties.map(() => random() >= UNREACHED);
    const typical = (skill: number, ability: number) => curve(ability, { a: 1.4, b: difficulties[skill] ?? 0, c: 0.1 });
    const has = (skill: number) => (abilities[skill] ?? 0) >= (difficulties[skill] ?? 0) + BEGINS;
    return {
      answer: (skill, { parameters }) => random() < curve(abilities[skill] ?? 0, parameters),
      gainOf: (skill, answers) => {
        const isReady = skill === 0 || has(skill - 1);
        const ability = abilities[skill] ?? 0;
        const pace = isReady && reached[skill] ? READY_PACE : UNREADY_PACE;
        return typical(skill, ability + pace * answers) - typical(skill, ability);
      },
    };
  };
}
