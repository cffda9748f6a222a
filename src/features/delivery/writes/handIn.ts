import "server-only";
import { object, string } from "yup";
import { dayNumber } from "@/core/calendar/dayNumber";
import { checkItem, type ItemVerdict } from "@/core/items/checkItem";
import type { DrawnItem } from "@/core/items/drawItem";
import type { FinishReason } from "@/core/model/work";
import { earnedOfParts } from "@/core/work/earnedOfParts";
import { isRightFirst } from "@/core/work/sittingItem";
import { type AnswerWrite, type NewScore, type SittingMove, writeAnswers } from "@/db/queries/answering";
import { answerByKey, scoresOfItem, supersede } from "@/db/queries/answerLog";
import { keepState, type SittingItemRow, type SittingRow, sittingById } from "@/db/queries/sittings";
import { dropStanding, type StandingAnswerRow } from "@/db/queries/standingAnswers";
import type { Queryable } from "@/db/queryable";
import { demand } from "@/server/access/demand";
import { keepThrough } from "@/server/classroom/keepThrough";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import { rebuildIn } from "@/server/summaries/rebuild";
import { scoresOfParts } from "@/server/summaries/scoresOfParts";
import { forgetRunOf, freshRun } from "../reads/keptRuns";
import { drawnOf, loadRun, parametersIn, type Run, subjectOfRun } from "../reads/run";
import { sittingChange } from "../reads/sittingView";
import type { SittingChange } from "../types";
import { judgeReteach } from "./judgeReteach";
import { placeStudent } from "./placeStudent";

const input = object({ sittingId: string().required() });
const MOST_ATTEMPTS = 4;

/** Hands a whole test in: what stands becomes the answers, and what was left blank earns nothing. Handed in again, it changes nothing. */
export async function handIn(context: Context, raw: unknown): Promise<{ readonly sitting: SittingChange }> {
  const { runtime, actor } = context;
  const { sittingId } = validated(input, raw);
  for (let attempt = 1; attempt <= MOST_ATTEMPTS; attempt++) {
    const run = await freshRun(runtime, sittingId);
    if (!run) throw new Refusal("not-found", "This work is not on your list.");
    demand(actor, "work-on", subjectOfRun(run));
    if (run.sitting.finishedAt !== null) return { sitting: sittingChange(run, null, runtime.now(), []) };
    if (!run.conductor.isHandedInWhole(run.part.settings))
      throw new Refusal("invalid", "This work is handed in item by item.");
    if (run.work.withdrawnAt !== null) throw new Refusal("closed", "Your teacher has taken this work back.");
    const isIn = await runtime.db.write((tx) => handInRun(tx, runtime, run, reasonOf(run, runtime.now())));
    forgetRunOf(runtime, run.personId);
    if (isIn) {
      const next = (await freshRun(runtime, sittingId)) ?? run;
      return { sitting: sittingChange(next, null, runtime.now(), []) };
    }
  }
  throw new Refusal("unavailable", "This work is being changed in several places at once. Try again in a moment.");
}

/** Handed in once the time is up, it is the clock that did it, whoever sent it. */
const reasonOf = ({ sitting: { endsAt } }: Run, now: number): FinishReason =>
  endsAt !== null && now >= endsAt ? "time-up" : "handed-in";

/**
 * Makes what stands in a run the answers of its items, with their scores, and makes the summaries of its skills anew. What was not answered is blank
 * and earned nothing. False when somebody else moved the run since it was read.
 */
export async function handInRun(tx: Queryable, runtime: Runtime, run: Run, reason: FinishReason): Promise<boolean> {
  // What somebody may set aside is not wrong when the time ends before it was looked at.
  const due = run.conductor.setsAside ? [] : run.items.filter(({ state }) => state !== "done");
  const judged = await Promise.all(due.map((item) => judge(runtime, run, item, run.standing.get(item.id) ?? null)));
  const items = run.items.map((item) => judged.find((one) => one.item.id === item.id)?.item ?? item);
  const moved = movedTo(run, items, { finishedAt: runtime.now(), finishReason: reason });
  if (
    !(await writeAnswers(
      tx,
      moved,
      judged,
      items.filter((item) => !run.items.includes(item)),
    ))
  )
    return false;
  await dropStanding(tx, run.sitting.id);
  await afterScores(tx, runtime, run, judged);
  return true;
}

/** An answer that comes after its test was handed in by itself takes the place of what was left blank, or stood before. */
export async function addLate(
  tx: Queryable,
  runtime: Runtime,
  run: Run,
  item: SittingItemRow,
  given: StandingAnswerRow,
): Promise<boolean> {
  const before = await scoresOfItem(tx, item.id);
  const judged = await judge(runtime, run, item, given);
  const items = run.items.map((one) => (one.id === item.id ? judged.item : one));
  if (
    !(await writeAnswers(tx, movedTo(run, items, run.sitting), [{ answer: judged.answer, scores: [] }], [judged.item]))
  )
    return false;
  const answer = await answerByKey(tx, judged.answer.key);
  await supersede(
    tx,
    judged.scores.map((score) => ({
      ...score,
      answerSerial: answer?.serial ?? 0,
      supersedes: before.find(({ part, skillId }) => part === score.part && skillId === score.skillId)?.serial ?? null,
      changeId: null,
    })),
  );
  await afterScores(tx, runtime, run, [judged]);
  return true;
}

interface Judged {
  readonly item: SittingItemRow;
  readonly answer: AnswerWrite["answer"];
  readonly scores: readonly NewScore[];
}

/** An item as its answer leaves it, the answer for the log, and what it is worth. */
async function judge(
  runtime: Runtime,
  run: Run,
  item: SittingItemRow,
  given: StandingAnswerRow | null,
): Promise<Judged> {
  const now = runtime.now();
  const school = await schoolOf(runtime, run.schoolId);
  const drawn = drawnOf(run, item);
  const read = given ? checkItem(drawn, given.response, school.decimalMark) : null;
  const stands = read?.readable && given ? given : null;
  const verdict = read?.readable ? read : blank(drawn);
  const earned = verdict.waiting.length > 0 ? { earned: null, possible: null } : earnedOfParts(verdict.parts);
  return {
    item: { ...item, ...earned, state: "done", tries: 1 },
    answer: {
      key: stands?.key ?? runtime.newId(),
      personId: run.personId,
      sittingItemId: item.id,
      tryNumber: 1,
      response: stands?.response ?? {},
      hintsUsed: stands?.hintsUsed ?? 0,
      milliseconds: stands?.milliseconds ?? 0,
      givenAt: stands?.givenAt ?? now,
      recordedAt: now,
      day: dayNumber(dayAt(school, stands?.givenAt ?? now)),
      witness: stands?.witness ?? "server",
      lateClaim: stands?.lateClaim ?? false,
      deviceClock: stands?.deviceClock ?? null,
    },
    scores: scoresOfParts(verdict.parts, {
      personId: run.personId,
      skillId: item.skillId,
      drawn,
      version: run.versions.get(item.versionId),
      whole: parametersIn(run, item),
      library: run.library,
      grade: run.situation.grade,
      placements: run.situation.placements,
      by: { by: "rule", scorerId: null, scoredAt: now },
    }),
  };
}

/** What was left blank: every part of it earned nothing. */
const blank = (drawn: DrawnItem): Extract<ItemVerdict, { readable: true }> => ({
  readable: true,
  right: false,
  parts: drawn.parts.map(({ id }) => ({
    readable: true as const,
    partId: id,
    earned: 0,
    possible: 1,
    misconceptionIds: [],
  })),
  waiting: [],
});

const movedTo = (
  run: Run,
  items: readonly SittingItemRow[],
  end: Pick<SittingRow, "finishedAt" | "finishReason">,
): SittingMove => ({
  ...run.sitting,
  ...end,
  itemsDone: items.filter(({ state }) => state === "done").length,
  itemsRight: items.filter(isRightFirst).length,
  progressPermille: 1000,
  mark: run.conductor.mark({ items })?.toFraction() ?? null,
});

/** Summaries, what was missed, and whether the student is through, now that some items have scores. */
async function afterScores(tx: Queryable, runtime: Runtime, run: Run, judged: readonly Judged[]): Promise<void> {
  const skillIds = [...new Set(judged.flatMap(({ scores }) => scores.map(({ skillId }) => skillId)))];
  await rebuildIn(tx, run.personId, skillIds);
  const owner = await sittingById(tx, run.sitting.id);
  if (!owner) return;
  const after = await loadRun(tx, runtime, owner);
  const state = { ...after.sitting.state, ...after.conductor.atEnd(after.situation) };
  await keepState(tx, run.sitting.id, state);
  await placeStudent(tx, { ...after, sitting: { ...after.sitting, state } });
  await keepThrough(tx, runtime, run);
  await judgeReteach(tx, after);
}
