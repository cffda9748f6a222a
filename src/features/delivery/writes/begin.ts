import "server-only";
import type { SittingState } from "@/core/model/work";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { endOfTime } from "@/core/work/endOfTime";
import { windowFor, windowStanding } from "@/core/work/workWindow";
import { insertSitting, itemsOfSitting, type SittingOwner } from "@/db/queries/sittings";
import { keepCompletion } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { newSitting } from "@/server/classroom/newRun";
import { missedBefore } from "@/server/classroom/partsOfTargets";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { type Entered, ownPart, runThatStands } from "../reads/entered";
import { loadRun, type Run } from "../reads/run";
import { demandAtPlace, demandItsTurn } from "./demandOpen";
import { goOn } from "./goOn";

/** The open run of the asking student at a part of what was given, begun now if there is none yet. */
export async function beginOrResume(
  tx: Queryable,
  context: Context,
  entered: Entered,
  partId: string | null,
): Promise<Run> {
  const { runtime, actor } = context;
  const { work, target } = entered;
  const own = ownPart(entered, partId);
  if (!own) throw new Refusal("not-found", "There is nothing in this work yet.");
  const { part, standing, again } = own;
  const run = runThatStands(own);
  const isClosed = windowStanding(windowFor(work, target), runtime.now()) === "closed";
  const isThere = run !== null && (run.finishedAt !== null || !isClosed);
  if (!isThere && isClosed)
    throw new Refusal("closed", "The time for this work is over. Ask your teacher to open it again.");
  if (run?.finishedAt == null) {
    if (target.excusedAt !== null) throw new Refusal("closed", "You need not do this work. Your teacher knows.");
    await demandItsTurn(tx, context, work);
    await demandAtPlace(context, work, target);
  }
  if (conductorOf(part.kind).onPaper && run?.finishedAt == null)
    throw new Refusal("closed", "This is done on paper. Your teacher hands it out.");
  if (run && isThere) {
    const owner: SittingOwner = { sitting: run, personId: actor.personId, assignmentId: work.id, target };
    return loadRun(tx, runtime, owner, await itemsOfSitting(tx, run.id));
  }
  if (standing.state === "locked") throw new Refusal("closed", "This part is not open yet.");
  if (standing.state === "not-needed") throw new Refusal("closed", "You need not do this part.");
  return begin(tx, context, entered, { partId: part.id, attempt: again?.attempt ?? 1 });
}

/** Begins a run: what its conductor wants to remember is taken down beside what is known of it before, and the first items are chosen. */
export async function begin(
  tx: Queryable,
  { runtime, actor }: Context,
  { work, target, parts }: Entered,
  {
    partId,
    attempt,
    state: known = {},
  }: { readonly partId: string; readonly attempt: number; readonly state?: SittingState },
): Promise<Run> {
  const now = runtime.now();
  const part = parts.find((one) => one.part.id === partId)?.part;
  if (!part) throw new Refusal("not-found", "This part is not there any more.");
  const missed = await missedBefore(tx, part, target.id);
  const owner: SittingOwner = {
    personId: actor.personId,
    assignmentId: work.id,
    target,
    sitting: newSitting(runtime, {
      targetId: target.id,
      partId,
      attempt,
      startedAt: now,
      state: missed === null ? known : { ...known, skillIds: missed },
    }),
  };
  const fresh = await loadRun(tx, runtime, owner, []);
  const state = { ...owner.sitting.state, ...fresh.conductor.begin(fresh.situation) };
  const begun = goOn(runtime, {
    ...fresh,
    sitting: { ...fresh.sitting, state, endsAt: endsAt(fresh, now) },
    situation: { ...fresh.situation, state },
  });
  await keepCompletion(tx, target.id, null);
  await insertSitting(tx, begun.sitting, begun.items);
  return begun;
}

/** When a run is handed in by itself; practice is never cut off. */
const endsAt = ({ conductor, situation, window }: Run, begun: number): number | null =>
  conductor.endsWithTime ? endOfTime(situation, { begun, closesAt: window.closesAt }) : null;
