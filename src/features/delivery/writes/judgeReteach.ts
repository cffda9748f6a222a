import "server-only";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { chanceByCheck } from "@/core/grouping/chanceByCheck";
import { reteachOutcome } from "@/core/grouping/reteachOutcome";
import type { SkillBelief } from "@/core/mastery/skillBelief";
import { distribution } from "@/core/numeric/distribution";
import { chanceNow } from "@/core/work/partSituation";
import { isScored, shareOfFirst } from "@/core/work/sittingItem";
import { studentsOfReteaches } from "@/db/queries/regroup";
import { comparedOfReteaches, keepCompared, keepVerdict, reteachOfCheck } from "@/db/queries/reteaches";
import type { Queryable } from "@/db/queryable";
import { judgeGroup } from "@/server/classroom/judgeGroup";
import type { Run } from "../reads/run";

/**
 * When the check of a reteach is handed in, its outcome for the student is judged and kept, in the same transaction; with the last one the whole
 * group is. Whoever only does the check for comparison gets no verdict.
 */
export async function judgeReteach(tx: Queryable, run: Run): Promise<void> {
  const { sitting, situation, work, personId } = run;
  const reteach = await reteachOfCheck(tx, work.id);
  if (!reteach) return;
  const { itemsRight: checkRight, itemsDone: checkItems } = sitting;
  const judgedDay = dayOfNumber(situation.day);
  const isOwn = (row: { readonly personId: string; readonly judgedDay: string | null }) =>
    row.personId === personId && row.judgedDay === null;
  const taught = (await studentsOfReteaches(tx, [reteach.id])).find(isOwn);
  const compared = (await comparedOfReteaches(tx, [reteach.id])).find(isOwn);
  if (taught) {
    const { chanceBefore, beliefMean, beliefSpread } = taught;
    const belief =
      beliefMean === null || beliefSpread === null
        ? beliefOf(chanceBefore)
        : { mean: beliefMean, spread: beliefSpread };
    const chanceAfter = chanceNow(situation, reteach.skillId);
    const verdict = reteachOutcome({
      chanceBefore,
      chanceNow: chanceAfter,
      check: { right: checkRight, answered: checkItems, of: checkItems },
    });
    // The check is whole here, so it is never open any more.
    if (verdict === "check-open") return;
    const byCheck = afterCheck(run, reteach.skillId, belief);
    await keepVerdict(tx, taught.id, {
      judgedDay,
      chanceAfter,
      chanceByCheck: byCheck,
      checkRight,
      checkItems,
      verdict,
    });
  }
  if (compared) {
    const belief = { mean: compared.beliefMean, spread: compared.beliefSpread };
    const byCheck = afterCheck(run, reteach.skillId, belief);
    await keepCompared(tx, compared.id, { judgedDay, chanceByCheck: byCheck, checkRight, checkItems });
  }
  if (taught || compared) await judgeGroup(tx, reteach, { day: judgedDay, over: false });
}

/** What the answers of a check alone make of a belief. */
function afterCheck({ situation }: Run, skillId: string, belief: SkillBelief): number {
  const answers = situation.items
    .filter((item) => item.skillId === skillId && item.state === "done" && isScored(item))
    .map((item) => ({ share: shareOfFirst(item).valueOf(), item: situation.parametersOf(item) }));
  return chanceByCheck(belief, answers, situation.skills.get(skillId)?.difficulty ?? 0);
}

/** A belief of one unit's spread with that chance, for reteaches given before beliefs were kept. */
const beliefOf = (chance: number): SkillBelief => ({
  mean: distribution.normalQuantile(Math.min(0.995, Math.max(0.005, chance))),
  spread: 1,
});
