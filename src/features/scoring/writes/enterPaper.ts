import "server-only";
import { array, boolean, number, object, string } from "yup";
import { dayNumber } from "@/core/calendar/dayNumber";
import { isRightFirst } from "@/core/work/sittingItem";
import { writeAnswers } from "@/db/queries/answering";
import { answersOfSitting, scoresOfItem, supersede } from "@/db/queries/answerLog";
import { changed } from "@/db/queries/rowChanges";
import { insertSitting, itemsOfSitting, keepState, type SittingItemRow, type SittingRow } from "@/db/queries/sittings";
import type { TargetRow } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { keepThrough } from "@/server/classroom/keepThrough";
import { newSitting, newSittingItem } from "@/server/classroom/newRun";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import { rebuildIn } from "@/server/summaries/rebuild";
import { type PaperWork, paperWorkOf } from "../reads/paperWork";
import { missedOnPaper, paperScores, STEPS } from "./paperScores";

const input = object({
  assignmentId: string().required(),
  /** Points of an item by its place in the student's form; null takes out what was entered. */
  entries: array(
    object({
      studentId: string().required(),
      place: number().integer().min(0).max(120).required(),
      points: number().min(0, "Points are 0 or more.").max(20).nullable().defined(),
    }).required(),
  )
    .max(800)
    .default([]),
  absent: array(object({ studentId: string().required(), absent: boolean().required() }).required())
    .max(400)
    .default([]),
});
type Entry = { readonly studentId: string; readonly place: number; readonly points: number | null };

/**
 * Takes down what a test on paper came to, item by item and as far as it was read. Entered again, the new points take the place of the old ones, which are
 * kept; a student's mark is there once every item has its points.
 */
export async function enterPaper(context: Context, raw: unknown): Promise<{ readonly entered: number }> {
  const { assignmentId, entries, absent } = validated(input, raw);
  return context.runtime.db.write(async (tx) => {
    const paper = await paperWorkOf(tx, context, assignmentId, "change");
    for (const studentId of new Set(entries.map((entry) => entry.studentId)))
      await enterStudent(
        tx,
        context,
        paper,
        targetOf(paper, studentId),
        entries.filter((entry) => entry.studentId === studentId),
      );
    await markAbsent(tx, context, paper, absent);
    return { entered: entries.length };
  });
}

function targetOf({ targets }: PaperWork, studentId: string): TargetRow {
  const found = targets.find(({ target }) => target.personId === studentId);
  if (!found) throw new Refusal("invalid", "Somebody in this list was not given this work. Open the page again.");
  return found.target;
}

async function markAbsent(
  tx: Queryable,
  context: Context,
  paper: PaperWork,
  absent: readonly { readonly studentId: string; readonly absent: boolean }[],
): Promise<void> {
  const rows = absent
    .map((one) => ({ ...one, target: targetOf(paper, one.studentId) }))
    .filter((one) => (one.target.absentAt !== null) !== one.absent)
    .map((one) => changed("assignmentTargets", one.target, { absentAt: one.absent ? context.runtime.now() : null }));
  if (rows.length === 0) return;
  await recordChange(tx, context, {
    kind: "marked-absent",
    facts: { title: paper.work.title, students: rows.length },
    classId: paper.work.classId,
    rows,
  });
}

async function enterStudent(
  tx: Queryable,
  context: Context,
  paper: PaperWork,
  target: TargetRow,
  entries: readonly Entry[],
): Promise<void> {
  const { runtime } = context;
  const now = runtime.now();
  const school = await schoolOf(runtime, paper.work.schoolId);
  const { sitting, items } = await runOf(tx, context, paper, target);
  const given = await answersOfSitting(tx, sitting.id);
  const scoring = await paperScores(tx, context, paper, target.personId);
  const fresh: Parameters<typeof writeAnswers>[2][number][] = [];
  const after = new Map(items.map((item) => [item.id, item]));
  for (const { place, points } of entries) {
    const item = items[place];
    if (!item) throw new Refusal("invalid", "This test has no such item. Open the page again.");
    if (points !== null && (points > item.points || !Number.isInteger(points * STEPS)))
      throw new Refusal("invalid", `Item ${place + 1} has ${item.points} points; halves can be given.`);
    const known = given.find(({ sittingItemId }) => sittingItemId === item.id);
    const scores = points === null ? [] : scoring.of(item, points);
    if (known) {
      const before = await scoresOfItem(tx, item.id);
      const taken = { answerSerial: known.serial, changeId: null };
      await supersede(
        tx,
        points === null
          ? before.map(({ serial, ...old }) => ({
              ...old,
              ...taken,
              ...scoring.by,
              earned: 0,
              possible: 0,
              supersedes: serial,
            }))
          : scores.map((score) => ({
              ...score,
              ...taken,
              supersedes:
                before.find(({ part, skillId }) => part === score.part && skillId === score.skillId)?.serial ?? null,
            })),
      );
    } else if (points !== null)
      fresh.push({
        answer: {
          key: runtime.newId(),
          personId: target.personId,
          sittingItemId: item.id,
          tryNumber: 1,
          response: {},
          hintsUsed: 0,
          milliseconds: 0,
          givenAt: now,
          recordedAt: now,
          day: dayNumber(dayAt(school, now)),
          witness: "server",
          lateClaim: false,
          deviceClock: null,
        },
        scores,
      });
    after.set(item.id, {
      ...item,
      state: points === null ? "open" : "done",
      tries: points === null ? 0 : 1,
      earned: points === null ? null : points * STEPS,
      possible: points === null ? null : item.points * STEPS,
    });
  }
  const all = [...after.values()];
  const done = all.filter(({ state }) => state === "done").length;
  const isWhole = done === all.length;
  const moved: SittingRow = {
    ...sitting,
    lastAt: now,
    finishedAt: isWhole ? (sitting.finishedAt ?? now) : null,
    finishReason: isWhole ? "handed-in" : null,
    itemsDone: done,
    itemsRight: all.filter(isRightFirst).length,
    progressPermille: Math.round((1000 * done) / all.length),
    mark: isWhole ? (paper.conductor.mark({ items: all })?.toFraction() ?? null) : null,
  };
  const changedItems = all.filter((item) => !items.includes(item));
  if (!(await writeAnswers(tx, moved, fresh, changedItems)))
    throw new Refusal("conflict", "Somebody else is entering this student's results. Open the page again.");
  await rebuildIn(tx, target.personId, [...new Set(changedItems.map(({ skillId }) => skillId))]);
  if (isWhole)
    await keepState(tx, sitting.id, { missed: await missedOnPaper(tx, context, target.personId, scoring, all) });
  await keepThrough(tx, runtime, { work: paper.work, target });
}

/** The student's run with its items, made now if nothing was entered before. */
async function runOf(
  tx: Queryable,
  { runtime }: Context,
  { work, part, placed, targets }: PaperWork,
  target: TargetRow,
): Promise<{ readonly sitting: SittingRow; readonly items: readonly SittingItemRow[] }> {
  const known = targets.find((one) => one.target.id === target.id)?.run;
  if (known) return { sitting: known, items: await itemsOfSitting(tx, known.id) };
  const sitting = newSitting(runtime, {
    targetId: target.id,
    partId: part.id,
    attempt: 1,
    startedAt: Math.min(runtime.now(), work.opensAt),
    state: {},
  });
  const items = placed
    .filter(({ form }) => form === target.form)
    .map((item, place) =>
      newSittingItem(runtime, item, { sittingId: sitting.id, place, state: "open", optionOrder: null }),
    );
  await insertSitting(tx, sitting, items);
  return { sitting, items: await itemsOfSitting(tx, sitting.id) };
}
