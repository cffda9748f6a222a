import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import type { SkillState } from "@/core/mastery/skillState";
import { CoreError } from "@/core/model/fail";
import { type SummaryStep, takeIntoSummaries } from "@/db/queries/answering";
import { type EvidenceRow, evidenceOfPerson } from "@/db/queries/answerLog";
import { renewSittingsOf } from "@/db/queries/sittings";
import { clearSummariesOf, peopleWithSummaries } from "@/db/queries/summaries";
import type { Queryable } from "@/db/queryable";
import type { Runtime } from "@/server/runtime/runtime";
import { countsOf, firstOf, stateAfter } from "./summaryOf";

/** How many scores were read for a rebuild, and the answers of which no summary can be made. */
export interface Rebuilt {
  readonly answers: number;
  /** Serials of the answers left out. */
  readonly left: readonly number[];
}

/**
 * Makes all summaries anew from the scores, one student after another, each in one transaction: a school that is at work
 * beside it sees every student either before or after. A row that can't be understood is left out and named.
 */
export async function rebuildSummaries(runtime: Runtime): Promise<Rebuilt> {
  let answers = 0;
  const left: number[] = [];
  for (const personId of await peopleWithSummaries(runtime.db.read)) {
    const started = performance.now();
    const done = await rebuildStudent(runtime, personId);
    answers += done.answers;
    left.push(...done.left);
    // As long as the lock was held, it is free for others: a process that waits for it looks only now and then.
    await new Promise((resolve) => setTimeout(resolve, performance.now() - started));
  }
  return { answers, left: left.sort((x, y) => x - y) };
}

/** The same for one student, in all skills or in some. */
export async function rebuildStudent(
  runtime: Runtime,
  personId: string,
  skillIds: readonly string[] | null = null,
): Promise<Rebuilt> {
  return runtime.db.write((tx) => rebuildIn(tx, personId, skillIds));
}

/** The same inside a change that made scores anew. Runs that are under way, in whatever process, notice that they are behind. */
export async function rebuildIn(tx: Queryable, personId: string, skillIds: readonly string[] | null): Promise<Rebuilt> {
  await clearSummariesOf(tx, personId, skillIds);
  await renewSittingsOf(tx, personId);
  const rows = await evidenceOfPerson(tx, personId, skillIds);
  const withTime = timeKeepers(skillIds === null ? rows : await evidenceOfPerson(tx, personId));
  const states = new Map<string, SkillState>();
  const steps: SummaryStep[] = [];
  const left: number[] = [];
  for (const row of rows) {
    const next = stateIfUnderstood(states.get(row.skillId) ?? null, row);
    if (next === null) {
      left.push(row.answerSerial);
      continue;
    }
    states.set(row.skillId, next);
    steps.push(...countsOf(row, { withTime: withTime.has(row.serial), after: next }));
  }
  for (const [skillId, { itemIds, ...state }] of states)
    steps.push({ kind: "state", row: { personId, skillId, ...state, itemIds: [...itemIds], evidenceBefore: 0 } });
  await takeIntoSummaries(tx, steps);
  return { answers: rows.length - left.length, left };
}

/** The scores with which the time of their answers is counted. */
function timeKeepers(rows: readonly EvidenceRow[]): ReadonlySet<number> {
  const byAnswer = groupBy(rows, ({ answerSerial }) => answerSerial);
  return new Set([...byAnswer.values()].flatMap((own) => firstOf(own)?.serial ?? []));
}

/** The state after a row, or null where none can be made of it: one that was damaged must not stop the others. */
function stateIfUnderstood(state: SkillState | null, row: EvidenceRow): SkillState | null {
  try {
    const next = stateAfter(state, row);
    return Number.isFinite(next.mastery) ? next : null;
  } catch (error) {
    if (error instanceof CoreError) return null;
    throw error;
  }
}
