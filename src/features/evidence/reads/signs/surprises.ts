import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { groupBy } from "@/core/collections/groupBy";
import { beliefOn } from "@/core/mastery/beliefOn";
import { type BelievedItems, surprisingScore } from "@/core/measurement/surprisingScore";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { skillsOnDays } from "@/db/queries/summaries";
import { firstScoresOf, type RunBetween } from "@/db/queries/weeks";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt } from "@/server/runtime/school";
import type { SurpriseSign } from "../../signTypes";
import { type AroundRuns, ofRun } from "./around";

/**
 * Tests whose result hardly agrees with what was known before the day on which they were begun. Only where nothing is told meanwhile: what is
 * learned on the way surprises nobody. Skills that were not met before say nothing.
 */
export async function surprisesOf(runtime: Runtime, around: AroundRuns): Promise<SurpriseSign[]> {
  const db = runtime.db.read;
  const { school } = around.frame;
  const tests = around.runs.filter(({ kind }) => {
    const { tells, standsWhole } = conductorOf(kind);
    return standsWhole && !tells.verdict;
  });
  const dayBefore = (run: RunBetween) => dayNumber(dayAt(school, run.startedAt)) - 1;
  const [scores, states] = await Promise.all([
    firstScoresOf(
      db,
      tests.map(({ id }) => id),
    ),
    skillsOnDays(db, [...new Set(tests.map(({ personId }) => personId))], [...new Set(tests.map(dayBefore))]),
  ]);
  const scored = groupBy(scores, ({ sittingId }) => sittingId);
  const stood = groupBy(states, ({ personId, on }) => `${personId} ${on}`);
  return tests.flatMap((run): SurpriseSign[] => {
    const of = ofRun(run, around);
    const before = dayBefore(run);
    const known = new Map((stood.get(`${run.personId} ${before}`) ?? []).map((state) => [state.skillId, state]));
    let right = 0;
    const skills = [...groupBy(scored.get(run.id) ?? [], ({ skillId }) => skillId)].flatMap(
      ([skillId, items]): BelievedItems[] => {
        const state = known.get(skillId);
        const [first] = items;
        if (!state || !first) return [];
        const { mean, spread, mastery, stabilityDays, prior, day } = state;
        // Days before the state was kept with them say nothing of what was believed.
        if (mean === null || spread === null || mastery === null || stabilityDays === null) return [];
        right += items.filter(({ earned, possible }) => earned === possible).length;
        const belief = beliefOn({ mean, spread, mastery, prior, lastDay: day, stabilityDays }, before + 1);
        return [{ belief, difficulty: first.skillDifficulty, items }];
      },
    );
    const found = surprisingScore(right, skills);
    if (!of || "noEstimate" in found || found.verdict === "as-expected") return [];
    const { items, expected, verdict } = found;
    return [{ ...of, right, items, expected: Math.round(expected), verdict }];
  });
}
