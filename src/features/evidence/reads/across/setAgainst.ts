import "server-only";
import { sharesApart } from "@/core/measurement/sharesApart";
import { wilson } from "@/core/measurement/wilson";
import type { ClassShare } from "../../acrossTypes";

const LEVEL = 0.95;
/** Many shares are looked at on one page: a difference is named only where luck makes it once in a hundred. */
const APART_LEVEL = 0.99;

/** The share of each class that has something, each set against all other classes together. */
export function setAgainst(
  classIds: readonly string[],
  standing: readonly { readonly id: string; readonly name: string; readonly classId: string; readonly has: boolean }[],
): ClassShare[] {
  const count = (own: typeof standing) => ({ k: own.filter(({ has }) => has).length, n: own.length });
  return classIds.map((classId) => {
    const own = standing.filter((one) => one.classId === classId);
    const [mine, others] = [count(own), count(standing.filter((one) => one.classId !== classId))];
    return {
      classId,
      share: wilson(mine.k, mine.n, LEVEL),
      apart: mine.n === 0 || others.n === 0 ? null : sharesApart(mine, others, APART_LEVEL).apart,
      without: own.filter(({ has }) => !has).map(({ id, name }) => ({ id, name })),
    };
  });
}
