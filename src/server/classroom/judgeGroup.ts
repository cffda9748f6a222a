import "server-only";
import { type Checked, reteachWorked } from "@/core/grouping/reteachWorked";
import { membersOfGroups, studentsOfReteaches } from "@/db/queries/regroup";
import { comparedOfReteaches, keepWorked, type ReteachRow } from "@/db/queries/reteaches";
import type { Queryable } from "@/db/queryable";

/** What a check brought for one student, taught or compared. */
interface WithCheck {
  readonly chanceBefore: number;
  readonly chanceByCheck: number | null;
  readonly checkRight: number | null;
  readonly checkItems: number | null;
}

/**
 * Judges a reteach as a whole, once, and keeps it: when everybody has handed in the check, or (`over`) when its time is up. Whoever was away
 * when it was taught is no evidence of what it brought; whoever left is not waited for. True when it was judged now.
 */
export async function judgeGroup(
  tx: Queryable,
  reteach: ReteachRow,
  { day, over }: { readonly day: string; readonly over: boolean },
): Promise<boolean> {
  if (reteach.judgedDay !== null) return false;
  const [taught, compared, members] = await Promise.all([
    studentsOfReteaches(tx, [reteach.id]),
    comparedOfReteaches(tx, [reteach.id]),
    membersOfGroups(tx, [reteach.groupId], { day, viewerId: "" }),
  ]);
  const present = new Set(members.map(({ person }) => person.id));
  const isOpen =
    taught.some(({ personId, judgedDay, there }) => judgedDay === null && there !== false && present.has(personId)) ||
    compared.some(({ judgedDay }) => judgedDay === null);
  if (isOpen && !over) return false;
  const own = taught.filter(({ there }) => there !== false);
  const { verdict, ...figures } = reteachWorked(own.flatMap(checked), compared.flatMap(checked));
  await keepWorked(tx, reteach.id, {
    judgedDay: day,
    worked: verdict,
    // Of what was given before, what the check alone says was not kept; that it was done was.
    figures: { ...figures, students: own.filter(({ judgedDay }) => judgedDay !== null).length },
  });
  return true;
}

function checked({ chanceBefore, chanceByCheck, checkRight, checkItems }: WithCheck): Checked[] {
  if (chanceByCheck === null || checkRight === null || !checkItems) return [];
  return [{ before: chanceBefore, after: chanceByCheck, share: checkRight / checkItems }];
}
