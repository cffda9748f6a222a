import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { groupBy } from "@/core/collections/groupBy";
import { askedText } from "@/core/items/askedText";
import { responseWords } from "@/core/items/responseWords";
import { percentDown } from "@/core/measurement/percentDown";
import { rational } from "@/core/numeric/rational";
import { answersOfSitting, scoresOfAnswers } from "@/db/queries/answerLog";
import { commentsTo } from "@/db/queries/live";
import { itemsOfSitting, type SittingItemRow } from "@/db/queries/sittings";
import type { GivenWork } from "@/db/queries/work";
import type { Context } from "@/server/runtime/context";
import { schoolOf } from "@/server/runtime/school";
import type { ResultItem, ResultsView } from "../types";
import { partTitle } from "../words";
import { enter } from "./entered";
import { maySee, releasedWords } from "./released";
import { drawnOf, loadRun, type Run } from "./run";

/** What came out of the asking student's run at a part, as far as it is released. */
export async function resultsView(context: Context, assignmentId: string, partId: string | null): Promise<ResultsView> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const { work, target, parts } = await enter(db, context, assignmentId);
  const place =
    partId === null
      ? parts.findIndex(({ run }) => run?.finishedAt != null)
      : parts.findIndex(({ part }) => part.id === partId);
  const own = parts[place];
  const word = (await releasedWords(db, [work.id])).get(work.id) ?? [];
  const now = runtime.now();
  const sees = (what: "score" | "answers" | "explanations") =>
    own !== undefined && maySee(what, { work, target, part: own.part, run: own.run, word }, now);
  if (!own?.run || !sees("score")) return notReleased(work, own ? partTitle(own.part, place) : "");
  const [items, school] = await Promise.all([itemsOfSitting(db, own.run.id), schoolOf(runtime, work.schoolId)]);
  const run = await loadRun(db, runtime, { sitting: own.run, personId: actor.personId, assignmentId, target }, items);
  const waiting = items.filter(({ earned }) => earned === null).length;
  const most = items.reduce((sum, { points }) => sum + points, 0);
  const mark = own.run.mark === null ? null : rational(own.run.mark);
  const follows = parts.find(
    ({ part, standing }) => part.settings.missedIn?.partId === own.part.id && standing.state === "open",
  );
  return {
    released: true,
    workId: work.id,
    title: work.title,
    partTitle: parts.length > 1 ? partTitle(own.part, place) : "",
    handedIn: format(new TZDate(own.run.finishedAt ?? now, school.timeZone), "EEEE d MMMM"),
    score:
      mark === null || waiting > 0
        ? null
        : { percent: percentDown(mark), earned: mark.mul(most).toFraction(true), most },
    waiting,
    items: sees("answers") ? await resultItems(context, run, items, sees("explanations")) : null,
    toWorkOn: sees("answers")
      ? (own.run.state.missed ?? []).map((skillId) => ({ skillId, name: run.library.skill(skillId).studentName }))
      : [],
    comments: (await commentsTo(db, actor.personId))
      .filter((one) => one.assignmentId === work.id)
      .map(({ text }) => text),
    followUp: follows?.part.id ?? null,
  };
}

const notReleased = ({ id, title, partCount }: GivenWork, name: string): ResultsView => ({
  released: false,
  workId: id,
  title,
  partTitle: partCount > 1 ? name : "",
  handedIn: "",
  score: null,
  waiting: 0,
  items: null,
  toWorkOn: [],
  comments: [],
  followUp: null,
});

async function resultItems(
  { runtime }: Context,
  run: Run,
  items: readonly SittingItemRow[],
  withSolution: boolean,
): Promise<ResultItem[]> {
  const given = groupBy(await answersOfSitting(runtime.db.read, run.sitting.id), ({ sittingItemId }) => sittingItemId);
  const scores = await scoresOfAnswers(
    runtime.db.read,
    [...given.values()].flat().map(({ serial }) => serial),
  );
  return items.map((item): ResultItem => {
    const drawn = drawnOf(run, item);
    const answer = given.get(item.id)?.at(-1);
    const isBlank = !answer || Object.keys(answer.response).length === 0;
    const { earned, possible } = item;
    const shown = scores.find((score) => score.answerSerial === answer?.serial && score.misconceptionId !== null);
    return {
      id: item.id,
      stem: askedText(drawn),
      given: isBlank ? "" : responseWords(drawn, answer.response).join("; "),
      verdict: isBlank
        ? "blank"
        : earned === null
          ? "waiting"
          : earned === possible
            ? "right"
            : earned > 0
              ? "partly"
              : "wrong",
      key: drawn.parts.map(({ keyText }) => keyText).join("; "),
      solution: withSolution ? drawn.solution : null,
      said:
        withSolution && shown?.misconceptionId
          ? (run.library.misconceptions.get(shown.misconceptionId)?.feedback ?? null)
          : null,
    };
  });
}
