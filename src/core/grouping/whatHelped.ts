import { wilson } from "../measurement/wilson";
import type { Approach } from "../model/reteach";

/** One student's reteach that was judged: which way, for which mistake (null where none was shared), and whether it helped. */
export interface JudgedReteach {
  readonly approach: Approach;
  readonly misconceptionId: string | null;
  readonly skillId: string;
  readonly helped: boolean;
}

/** How often one way of teaching helped with one mistake. */
export interface WhatHelped {
  readonly misconceptionId: string | null;
  readonly skillId: string;
  readonly approach: Approach;
  readonly students: number;
  readonly helped: number;
  /** 95 % interval of the share helped. */
  readonly low: number;
  readonly high: number;
  /** Fewer than this many say next to nothing. */
  readonly few: boolean;
}

const FEW = 8;
const LEVEL = 0.95;

/**
 * What tends to help with which mistake, mistakes with most students first and within one the approach of the highest lower bound (Wilson
 * 1927): two of two is no better known than twelve of fifteen.
 * @example whatHelped([{ approach: "things", misconceptionId: "m", skillId: "s", helped: true }])[0]?.few // true
 */
export function whatHelped(judged: readonly JudgedReteach[]): WhatHelped[] {
  const cases = new Map<string, { of: JudgedReteach; helped: number; students: number }>();
  const totals = new Map<string, number>();
  const caseKey = ({ misconceptionId, skillId }: Pick<JudgedReteach, "misconceptionId" | "skillId">) =>
    misconceptionId ?? `skill ${skillId}`;
  for (const one of judged) {
    const key = `${caseKey(one)} ${one.approach}`;
    const found = cases.get(key) ?? { of: one, helped: 0, students: 0 };
    cases.set(key, { of: found.of, helped: found.helped + (one.helped ? 1 : 0), students: found.students + 1 });
    totals.set(caseKey(one), (totals.get(caseKey(one)) ?? 0) + 1);
  }
  const total = (line: WhatHelped) => totals.get(caseKey(line)) ?? 0;
  return [...cases.values()]
    .map(({ of: { misconceptionId, skillId, approach }, helped, students }): WhatHelped => {
      const { low, high } = wilson(helped, students, LEVEL);
      return { misconceptionId, skillId, approach, students, helped, low, high, few: students < FEW };
    })
    .sort(
      (x, y) =>
        total(y) - total(x) || (caseKey(x) < caseKey(y) ? -1 : caseKey(x) > caseKey(y) ? 1 : 0) || y.low - x.low,
    );
}
