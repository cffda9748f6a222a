import type { Approach } from "../model/reteach";

/** What one student was taught in a skill, and what came of it; null while that is open. */
export interface TriedApproach {
  readonly personId: string;
  readonly approach: Approach;
  readonly helped: boolean | null;
}

/** What the choice of an approach hangs on. */
export interface ApproachCase {
  /** What the skill's material allows. */
  readonly available: readonly Approach[];
  readonly studentIds: readonly string[];
  readonly tried: readonly TriedApproach[];
  /** Share of the students who made the same known mistake, 0 to 1. */
  readonly sharedMistake: number;
  /** Mean chance, 0 to 1, that what the skill builds on is there. */
  readonly ready: number;
}

export interface ProposedApproach {
  readonly approach: Approach;
  readonly because: "underneath" | "same-mistake" | "usual" | "not-tried" | "least-tried";
  /** Students whom this approach did not help before, of all. */
  readonly triedInVain: number;
}

const UNREADY = 0.5;
const SHARED = 0.5;

/**
 * How to teach a group: first what is missing underneath, then from a mistake that most of them share, else with things to hold. Whoever goes
 * round again is taught another way than the one that did not help: the best of those tried in vain with the fewest.
 * @throws CoreError never; an empty list of what is available gives "things", which needs nothing but a classroom.
 * @example nextApproach({ available: ["things", "model"], studentIds: ["a"], tried: [{ personId: "a", approach: "things", helped: false }], sharedMistake: 0, ready: 1 }).approach // "model"
 */
export function nextApproach({ available, studentIds, tried, sharedMistake, ready }: ApproachCase): ProposedApproach {
  const inVain = (approach: Approach) => triedInVain(tried, approach, studentIds);
  const reasons: readonly (readonly [Approach, ProposedApproach["because"] | null])[] = [
    ["underneath", ready < UNREADY ? "underneath" : null],
    ["own-answers", sharedMistake >= SHARED ? "same-mistake" : null],
    ["things", "usual"],
  ];
  const wished = reasons.flatMap(([approach, because]) =>
    because !== null && available.includes(approach) ? [{ approach, because }] : [],
  );
  const isSecond = tried.some(({ personId, helped }) => helped !== true && studentIds.includes(personId));
  const [first] = wished;
  if (first && inVain(first.approach) === 0)
    return { ...first, because: isSecond && first.because === "usual" ? "not-tried" : first.because, triedInVain: 0 };
  const order = [...wished.map(({ approach }) => approach), ...available];
  const fewest = Math.min(...order.map(inVain));
  const approach = order.find((one) => inVain(one) === fewest) ?? "things";
  const because = !isSecond ? "usual" : fewest === 0 ? "not-tried" : "least-tried";
  return { approach, because, triedInVain: order.length === 0 ? 0 : fewest };
}

/**
 * How many of some students were taught by an approach that has not helped them.
 * @example triedInVain([{ personId: "a", approach: "things", helped: false }], "things", ["a", "b"]) // 1
 */
export function triedInVain(
  tried: readonly TriedApproach[],
  approach: Approach,
  studentIds: readonly string[],
): number {
  const own = tried.filter(
    (one) => one.approach === approach && one.helped !== true && studentIds.includes(one.personId),
  );
  return new Set(own.map(({ personId }) => personId)).size;
}
