import { itemsOfSitting, type SittingItemRow } from "@/db/queries/sittings";
import type { SittingChange } from "@/features/delivery/types";
import { giveHint } from "@/features/delivery/writes/giveHint";
import { keepVisit } from "@/features/delivery/writes/keepVisit";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { submitAnswer } from "@/features/delivery/writes/submitAnswer";
import { recordSignIn } from "@/server/history/recordChange";
import { drawerOf, versionsOf } from "@/server/library/drawnItems";
import { shelfOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { dayAt } from "@/server/runtime/school";
import type { LearnerMind } from "./learner";
import { sentResponse } from "./sentResponse";
import type { Simulation } from "./simulation";

export interface Pupil {
  readonly id: string;
  readonly name: string;
  readonly classId: string;
  readonly mind: LearnerMind;
  readonly random: () => number;
  /** Whether a lesson is opened after a miss: apart, so that it changes nothing else. */
  readonly reads: () => number;
}

/** Of the misses after which a student opens the lesson. */
const SHARE_READ = 0.15;

/** A pupil works on what was given, or on one part of it as a test: nothing of it is learned, and no lesson is opened. */
export async function sit(
  simulation: Simulation,
  assignmentId: string,
  pupil: Pupil,
  day: number,
  mostItems: number,
  test: { readonly partId: string | null; readonly random: () => number } | null = null,
): Promise<void> {
  const { runtime, school, setNow } = simulation;
  const context: Context = {
    runtime,
    actor: { kind: "student", personId: pupil.id, schoolId: school.id, name: pupil.name },
  };
  await comeIn(simulation, pupil.id);
  const shownItems = new Map<string, SittingItemRow>();
  let view: SittingChange = await openSitting(context, assignmentId, test?.partId ?? null);
  for (let done = 0; view.current && done < mostItems; ) {
    const { presentationId, tries } = view.current;
    if (!shownItems.has(presentationId))
      for (const item of await itemsOfSitting(runtime.db.read, view.sittingId)) shownItems.set(item.id, item);
    const shown = shownItems.get(presentationId);
    if (!shown) return;
    const { draw } = await drawerOf(runtime, [shown.versionId]);
    const version = (await versionsOf(runtime, [shown.versionId])).get(shown.versionId);
    if (!version) return;
    const item = draw(shown);
    const parameters = (await shelfOf(runtime, shown.skillId)).parametersOf(version, shown.seed);
    const answer = test
      ? pupil.mind.answerInTest(item, parameters, shown.skillId, day, test.random)
      : pupil.mind.answer(item, parameters, shown.skillId, day, tries + 1);
    if (answer.hintsUsed > 0 && view.current.hints > 0)
      await giveHint(context, { sittingId: view.sittingId, presentationId });
    setNow(runtime.now() + answer.milliseconds);
    const reply = await submitAnswer(context, {
      key: runtime.newId(),
      sittingId: view.sittingId,
      presentationId,
      tryNumber: tries + 1,
      response: sentResponse(item, answer.response),
      hintsUsed: answer.hintsUsed,
      milliseconds: answer.milliseconds,
      agoMilliseconds: 0,
      deviceClock: runtime.now(),
      offline: false,
    });
    if (reply.outcome.status === "not-counted") return;
    if (reply.outcome.status === "scored" && reply.outcome.feedback.verdict === "wrong" && pupil.reads() < SHARE_READ)
      await readLesson(simulation, context, view.sittingId, shown.skillId, pupil);
    view = reply.sitting;
    if (view.current?.presentationId !== presentationId) done++;
  }
}

/** Whoever sits down for the first time that day comes in at the door. */
async function comeIn({ doors, school, cameIn }: Simulation, id: string): Promise<void> {
  const day = (instant: number) => dayAt(school, instant);
  const last = cameIn.get(id);
  if (last !== undefined && day(last) === day(doors.now())) return;
  cameIn.set(id, doors.now());
  await doors.db.write((tx) =>
    recordSignIn(tx, doors, { id, schoolId: school.id }, { kind: "signed-in", by: "pin", device: "Classroom tablet" }),
  );
}

/** The student reads the lesson after a miss and, half of the time, moves its model. */
async function readLesson(
  { runtime, setNow }: Simulation,
  context: Context,
  sittingId: string,
  skillId: string,
  { reads }: Pupil,
): Promise<void> {
  const milliseconds = Math.round(20_000 + 70_000 * reads());
  const moves = reads() < 0.5 ? Math.round(3 + 20 * reads()) : 0;
  setNow(runtime.now() + milliseconds);
  await keepVisit(context, {
    key: runtime.newId(),
    sittingId,
    skillId,
    agoMilliseconds: milliseconds,
    milliseconds,
    modelMilliseconds: moves === 0 ? 0 : Math.round(milliseconds / 2),
    modelMoves: moves,
  });
}
