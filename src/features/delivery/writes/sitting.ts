import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import type { SkillState } from "@/core/mastery/skillState";
import type { Queryable } from "@/db/connection";
import {
  insertPresentations,
  insertSitting,
  type PresentationRow,
  presentationsOf,
  type SittingRow,
  sittingOf,
  skillStatesOf,
  updatePresentation,
} from "@/db/queries/delivery";
import { personById } from "@/db/queries/people";
import { skillIdsOfWorks, targetOf, type WorkRow, workById } from "@/db/queries/work";
import { statesByStudent } from "@/server/classroom/skillStates";
import type { Context } from "@/server/runtime/context";
import { type Library, libraryOf } from "@/server/runtime/library";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { type ChosenItem, chanceNow, chooseNext, chooseReserve, progressOf, RESERVE_ITEMS, type Situation } from "./chooseNext";

/** Everything about a student's run at a piece of work, read in one transaction. */
export interface OpenSitting {
  readonly work: WorkRow;
  readonly sitting: SittingRow;
  readonly situation: Situation;
  readonly library: Library;
}

/** The open sitting of the asking student, begun now if there is none yet. */
export async function ensureSitting(tx: Queryable, context: Context, workId: string): Promise<OpenSitting> {
  const { runtime, actor } = context;
  if (actor.kind !== "student") throw new Refusal("not-allowed", "Only students work on this. To look at it, open the preview.");
  const [work, target] = [await workById(tx, workId), await targetOf(tx, workId, actor.personId)];
  if (!work || !target || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not on your list.");
  if (runtime.now() < work.opensAt) throw new Refusal("closed", "This work is not open yet.");
  const known = await sittingOf(tx, workId, actor.personId);
  if (known) return loadSitting(tx, context, work, known, target.extraItems);
  if (runtime.now() > work.dueAt) throw new Refusal("closed", "The time for this work is over. Ask your teacher to open it again.");
  const now = runtime.now();
  const fresh: SittingRow = {
    id: runtime.newId(),
    workId,
    personId: actor.personId,
    startedAt: now,
    lastAt: now,
    finishedAt: null,
    finishReason: null,
    itemsDone: 0,
    itemsRight: 0,
    progressPermille: 0,
    chancesAtStart: {},
  };
  const open = await loadSitting(tx, context, work, fresh, target.extraItems);
  const chancesAtStart = Object.fromEntries(open.situation.skillIds.map((id) => [id, chanceNow(open.situation, open.library, id)]));
  const sitting = { ...fresh, chancesAtStart };
  await insertSitting(tx, sitting);
  const begunSitting = { ...open, sitting, situation: { ...open.situation, chancesAtStart } };
  const presentations = await goOn(tx, context, begunSitting);
  return { ...begunSitting, situation: { ...begunSitting.situation, presentations } };
}

export async function loadSitting(
  tx: Queryable,
  context: Context,
  work: WorkRow,
  sitting: SittingRow,
  extraItems: number,
): Promise<OpenSitting> {
  const { runtime, actor } = context;
  const [library, school] = [await libraryOf(runtime), await schoolOf(runtime, actor.schoolId)];
  const person = await personById(tx, sitting.personId);
  const states = statesByStudent(await skillStatesOf(tx, [sitting.personId])).get(sitting.personId);
  return {
    work,
    sitting,
    library,
    situation: {
      kind: work.kind,
      skillIds: (await skillIdsOfWorks(tx, [work.id])).get(work.id) ?? [],
      states: states ?? new Map<string, SkillState>(),
      chancesAtStart: sitting.chancesAtStart,
      grade: person?.grade ?? 6,
      day: dayNumber(dayAt(school, runtime.now())),
      presentations: await presentationsOf(tx, sitting.id),
      budgetItems: work.budgetItems + extraItems,
    },
  };
}

/** Opens the next item, unless one is open or the end is reached, and fills the reserve. Returns all presentations. */
export async function goOn(tx: Queryable, context: Context, open: OpenSitting): Promise<PresentationRow[]> {
  const { situation, library, sitting } = open;
  const { random, newId } = context.runtime;
  let presentations = [...situation.presentations];
  const end = progressOf(situation, library);
  if (end.done) return presentations;
  const add = async (items: readonly ChosenItem[], state: "open" | "reserve") => {
    const firstPlace = (presentations.at(-1)?.place ?? 0) + 1;
    const rows = items.map((item, n) => ({ ...item, id: newId(), sittingId: sitting.id, place: firstPlace + n, state, tries: 0 }));
    await insertPresentations(tx, rows);
    presentations.push(...rows);
  };
  if (!presentations.some((p) => p.state === "open")) {
    const next = chooseNext(situation, library, random);
    if (next && "id" in next) {
      await updatePresentation(tx, next.id, { state: "open" });
      presentations = presentations.map((p) => (p.id === next.id ? { ...p, state: "open" as const } : p));
    } else if (next) {
      await add([next], "open");
    }
  }
  const inReserve = presentations.filter((p) => p.state === "reserve").length;
  const itemsDone = presentations.filter((p) => p.state === "done").length;
  const wanted = Math.min(RESERVE_ITEMS, situation.budgetItems - itemsDone - 1) - inReserve;
  if (wanted > 0) await add(chooseReserve({ ...situation, presentations }, library, wanted, random), "reserve");
  return presentations;
}
