import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import type { SkillState } from "@/core/mastery/skillState";
import { type AnswerSituation, insertSitting, type SittingRow, sittingOf } from "@/db/queries/delivery";
import { gradeAtWork } from "@/db/queries/people";
import { skillStatesOfPerson } from "@/db/queries/summaries";
import { skillIdsOfWorks, targetOf, workById } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import type { Presentation } from "@/db/schema/delivery";
import { statesByStudent } from "@/server/classroom/skillStates";
import type { Context } from "@/server/runtime/context";
import { type Library, libraryOf } from "@/server/runtime/library";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import {
  type ChosenItem,
  chanceNow,
  chooseNext,
  chooseReserve,
  progressOf,
  RESERVE_ITEMS,
  type Situation,
  skillsLookedAt,
} from "./chooseNext";

/** What delivery needs to know of a piece of work. */
export type DeliveredWork = AnswerSituation["work"];

/** What the rows say about a student's run at a piece of work. */
export interface SittingRows {
  readonly work: DeliveredWork;
  readonly sitting: SittingRow;
  readonly skillIds: readonly string[];
  readonly extraItems: number | null;
  /** The student's, or else the class's. */
  readonly grade: number;
}

/** The same with all that choosing the next item looks at. */
export interface OpenSitting {
  readonly work: DeliveredWork;
  readonly sitting: SittingRow;
  readonly situation: Situation;
  readonly library: Library;
}

/** The open sitting of the asking student, begun now if there is none yet. */
export async function ensureSitting(tx: Queryable, context: Context, workId: string): Promise<OpenSitting> {
  const { runtime, actor } = context;
  if (actor.kind !== "student")
    throw new Refusal("not-allowed", "Only students work on this. To look at it, open the skill in the library.");
  const work = await workById(tx, workId);
  const target = await targetOf(tx, workId, actor.personId);
  if (!work || !target || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not on your list.");
  if (runtime.now() < work.opensAt) throw new Refusal("closed", "This work is not open yet.");
  const skillIds = (await skillIdsOfWorks(tx, [workId])).get(workId) ?? [];
  const about = {
    work,
    skillIds,
    extraItems: target.extraItems,
    grade: await gradeAtWork(tx, actor.personId, work.classId),
  };
  const known = await sittingOf(tx, workId, actor.personId);
  const over = runtime.now() > work.dueAt;
  if (known && (known.finishedAt !== null || !over)) return loadSitting(tx, context, { ...about, sitting: known });
  if (over) throw new Refusal("closed", "The time for this work is over. Ask your teacher to open it again.");
  const open = await loadSitting(tx, context, { ...about, sitting: freshSitting(context, workId) });
  const chancesAtStart = Object.fromEntries(skillIds.map((id) => [id, chanceNow(open.situation, open.library, id)]));
  const begun = goOn(context, {
    ...open,
    sitting: { ...open.sitting, chancesAtStart },
    situation: { ...open.situation, chancesAtStart },
  });
  await insertSitting(tx, begun.sitting);
  return begun;
}

function freshSitting({ runtime, actor }: Context, workId: string): SittingRow {
  return {
    id: runtime.newId(),
    workId,
    personId: actor.personId,
    startedAt: runtime.now(),
    lastAt: runtime.now(),
    finishedAt: null,
    finishReason: null,
    itemsDone: 0,
    itemsRight: 0,
    progressPermille: 0,
    chancesAtStart: {},
    presentations: [],
  };
}

export async function loadSitting(tx: Queryable, { runtime, actor }: Context, rows: SittingRows): Promise<OpenSitting> {
  const { work, sitting, skillIds } = rows;
  const library = await libraryOf(runtime);
  const school = await schoolOf(runtime, actor.schoolId);
  const states = await skillStatesOfPerson(tx, sitting.personId, skillsLookedAt(skillIds, library));
  return {
    work,
    sitting,
    library,
    situation: {
      kind: work.kind,
      skillIds,
      states: statesByStudent(states).get(sitting.personId) ?? new Map<string, SkillState>(),
      chancesAtStart: sitting.chancesAtStart,
      grade: rows.grade,
      day: dayNumber(dayAt(school, runtime.now())),
      presentations: sitting.presentations,
      budgetItems: work.budgetItems + (rows.extraItems ?? 0),
    },
  };
}

const isDrawn = (item: Presentation | ChosenItem): item is Presentation => "tries" in item;

/**
 * Opens the next item, unless one is open or the end is reached, and fills the reserve; nothing is stored yet. A student
 * without a connection sees the reserve in its order, whatever would fit better: `inOrder` opens what they see.
 */
export function goOn(
  context: Context,
  open: OpenSitting,
  { inOrder }: { readonly inOrder: boolean } = { inOrder: false },
): OpenSitting {
  const { situation, library } = open;
  const { random, newId, now } = context.runtime;
  const end = progressOf(situation, library);
  if (end.done) return open;
  let presentations = [...situation.presentations];
  const asNew = (item: ChosenItem, state: "open" | "reserve"): Presentation => ({
    ...item,
    id: newId(),
    state,
    tries: 0,
  });
  if (!presentations.some((p) => p.state === "open")) {
    const inReserve = inOrder ? presentations.find((p) => p.state === "reserve") : undefined;
    const next = inReserve ?? chooseNext(situation, library, random);
    if (next) {
      // What is shown now stands after all that was shown before, also when it comes from the reserve.
      const shown: Presentation = {
        ...(isDrawn(next) ? { ...next, state: "open" as const } : asNew(next, "open")),
        tryFrom: now(),
      };
      const [before, reserve] = [
        presentations.filter((p) => p.state !== "reserve"),
        presentations.filter((p) => p.state === "reserve" && p.id !== shown.id),
      ];
      presentations = [...before, shown, ...reserve];
    }
  }
  const inReserve = presentations.filter((p) => p.state === "reserve").length;
  const itemsDone = presentations.filter((p) => p.state === "done").length;
  const wanted = Math.min(RESERVE_ITEMS, situation.budgetItems - itemsDone - 1) - inReserve;
  const further = wanted > 0 ? chooseReserve({ ...situation, presentations }, library, wanted, random) : [];
  presentations.push(...further.map((item) => asNew(item, "reserve")));
  return { ...open, sitting: { ...open.sitting, presentations }, situation: { ...situation, presentations } };
}
