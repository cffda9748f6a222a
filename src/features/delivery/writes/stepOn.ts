import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import type { ItemResponse, ItemVerdict } from "@/core/items/checkItem";
import { earnedOfParts } from "@/core/work/earnedOfParts";
import type { AnswerPlace } from "@/core/work/placeAnswer";
import { isRightFirst } from "@/core/work/sittingItem";
import type { AnswerWrite, NewScore } from "@/db/queries/answering";
import type { SittingItemRow } from "@/db/queries/sittings";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { scoresOfParts } from "@/server/summaries/scoresOfParts";
import { summaryOf } from "@/server/summaries/summaryOf";
import { drawnOf, parametersIn, type Run, withItems } from "../reads/run";
import type { Answer } from "./answerMessage";
import { goOn } from "./goOn";
import { whatIsTold } from "./whatIsTold";

interface Given {
  readonly answer: Answer;
  readonly place: AnswerPlace;
  readonly response: ItemResponse;
  readonly verdict: Extract<ItemVerdict, { readable: true }>;
}

/** What one answer comes to: the run after it, and all that is to be written. */
export interface Step {
  readonly next: Run;
  readonly write: AnswerWrite;
}

/** Works out what an answer comes to. Nothing is written. */
export async function stepOn(runtime: Runtime, run: Run, item: SittingItemRow, given: Given): Promise<Step> {
  const { answer, place, response, verdict } = given;
  const now = runtime.now();
  const school = await schoolOf(runtime, run.schoolId);
  const row = {
    key: answer.key,
    personId: run.personId,
    sittingItemId: item.id,
    tryNumber: answer.tryNumber,
    response,
    ...whatIsTold(answer, item, now),
    givenAt: place.givenAt,
    recordedAt: now,
    day: dayNumber(dayAt(school, place.givenAt)),
    lateClaim: place.standing === "late-claim",
  };
  const scores = scoresOf(run, item, verdict, now);
  const { states, steps } = summaryOf(
    run.situation.states,
    scores.map((score) => ({ ...score, ...row, itemId: item.itemId })),
  );
  // A run that is kept may have been read on an earlier day.
  const day = dayNumber(dayAt(school, now));
  const summarised = { ...run, situation: { ...run.situation, states, day } };
  const moved = moveOn(summarised, item, given, { now, milliseconds: row.milliseconds });
  const next = moved.sitting.finishedAt === null ? goOn(runtime, moved, { inOrder: answer.offline }) : moved;
  const before = new Map(run.items.map((one) => [one.id, one]));
  return {
    next,
    write: {
      answer: row,
      scores,
      steps,
      sitting: { ...next.sitting, version: run.sitting.version },
      items: next.items.filter((one) => before.get(one.id) !== one),
    },
  };
}

/** What the parts of the answer are worth that are scored at once. */
const scoresOf = (run: Run, item: SittingItemRow, verdict: Given["verdict"], now: number): NewScore[] =>
  scoresOfParts(verdict.parts, {
    personId: run.personId,
    skillId: item.skillId,
    drawn: drawnOf(run, item),
    version: run.versions.get(item.versionId),
    whole: parametersIn(run, item),
    library: run.library,
    grade: run.situation.grade,
    placements: run.conductor.placements(run.situation),
    by: { by: "rule", scorerId: null, scoredAt: now },
  });

/** Closes the try and moves the progress. What a person has to score is not tried again. */
function moveOn(
  run: Run,
  item: SittingItemRow,
  { answer, place, verdict }: Given,
  { now, milliseconds }: { readonly now: number; readonly milliseconds: number },
): Run {
  const isOver = run.conductor.take(
    { right: verdict.right, number: answer.tryNumber, offline: answer.offline },
    run.part.settings,
  );
  const setAside = answer.setAside === true;
  const over = isOver || setAside || verdict.waiting.length > 0;
  const first = setAside ? {} : firstTryOf(item, verdict);
  const answered: SittingItemRow = {
    ...item,
    ...first,
    setAside,
    tries: answer.tryNumber,
    state: over ? "done" : item.state,
    tryFrom: now,
  };
  const items = withAnswered(run.items, answered);
  const activeMilliseconds = run.sitting.activeMilliseconds + milliseconds;
  const situation = { ...withItems(run, items).situation, activeMilliseconds };
  const end = run.conductor.end(situation);
  return {
    ...run,
    items,
    situation,
    sitting: {
      ...run.sitting,
      lastAt: place.givenAt,
      itemsDone: items.filter(({ state }) => state === "done").length,
      itemsRight: items.filter(isRightFirst).length,
      progressPermille: Math.round(end.progress * 1000),
      activeMilliseconds,
      mark: run.conductor.mark(situation)?.toFraction() ?? null,
      ...(end.done
        ? {
            finishedAt: now,
            finishReason: end.reason,
            state: { ...run.sitting.state, ...run.conductor.atEnd(situation) },
          }
        : {}),
    },
  };
}

/** What the first try earned: of a later try, as it was; nothing yet while a person has to score some of it. */
function firstTryOf(
  item: SittingItemRow,
  { parts, waiting }: Given["verdict"],
): Pick<SittingItemRow, "earned" | "possible"> {
  if (item.tries > 0 || waiting.length > 0) return { earned: item.earned, possible: item.possible };
  return earnedOfParts(parts);
}

/** The items with the answered one in its place; one that came from the reserve was shown before what is open now. */
function withAnswered(items: readonly SittingItemRow[], answered: SittingItemRow): readonly SittingItemRow[] {
  const others = items.filter(({ id }) => id !== answered.id);
  const place = items.findIndex(({ id }) => id === answered.id);
  const openPlace = others.findIndex(({ state }) => state === "open");
  return others.toSpliced(openPlace >= 0 && openPlace < place ? openPlace : place, 0, answered);
}
