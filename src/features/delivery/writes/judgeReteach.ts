import "server-only";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { reteachOutcome } from "@/core/grouping/reteachOutcome";
import { chanceNow } from "@/core/work/partSituation";
import { keepVerdict, unjudgedReteach } from "@/db/queries/regroup";
import type { Queryable } from "@/db/queryable";
import type { Run } from "../reads/run";

/** When the check of a reteach is handed in, its outcome for the student is judged and kept, in the same transaction. */
export async function judgeReteach(tx: Queryable, { sitting, situation, work, personId }: Run): Promise<void> {
  const found = await unjudgedReteach(tx, work.id, personId);
  if (!found) return;
  const chanceAfter = chanceNow(situation, found.skillId);
  const { itemsRight: checkRight, itemsDone: checkItems } = sitting;
  const verdict = reteachOutcome({
    chanceBefore: found.chanceBefore,
    chanceNow: chanceAfter,
    check: { right: checkRight, answered: checkItems, of: checkItems },
  });
  // The check is whole here, so it is never open any more.
  if (verdict === "check-open") return;
  const judgedDay = dayOfNumber(situation.day);
  await keepVerdict(tx, found.id, { judgedDay, chanceAfter, checkRight, checkItems, verdict });
}
