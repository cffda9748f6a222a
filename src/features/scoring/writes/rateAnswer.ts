import "server-only";
import { array, number, object, string } from "yup";
import { groupBy } from "@/core/collections/groupBy";
import { rubricOf } from "@/core/items/rubricOf";
import { isRating, ratedShare } from "@/core/items/written/ratedShare";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { earnedOfParts } from "@/core/work/earnedOfParts";
import { isRightFirst } from "@/core/work/sittingItem";
import { scoresOfAnswers, supersede } from "@/db/queries/answerLog";
import { kindsOfSittings } from "@/db/queries/marks";
import { gradeAtWork } from "@/db/queries/people";
import { type GivenRow, givenBySerial, insertRating, keepScoredItem, ratingByKey } from "@/db/queries/ratings";
import { itemsOfSitting } from "@/db/queries/sittings";
import { assignmentById } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { demandClasses } from "@/server/access/subjects";
import { knownOf } from "@/server/classroom/knownOf";
import { drawerWith, versionsOf } from "@/server/library/drawnItems";
import { libraryOf } from "@/server/library/library";
import { shelfOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { uuid, validated } from "@/server/runtime/validated";
import { rebuildIn } from "@/server/summaries/rebuild";
import { type JudgedPart, scoresOfParts } from "@/server/summaries/scoresOfParts";

const input = object({
  /** Made by the browser, so that sending twice scores once. */
  key: uuid(),
  answer: number().integer().min(1).required(),
  part: string().max(80).required(),
  /** By criterion, in the rubric's order. */
  points: array(number().integer().min(0).required()).min(1).max(20).required(),
});

/**
 * Scores a written answer by its rubric. A second rating, by whomever, takes the place of the first, which is kept; the student's levels and
 * the run's mark follow. Points that the rubric does not have are refused.
 */
export async function rateAnswer(context: Context, raw: unknown): Promise<{ readonly points: readonly number[] }> {
  const { runtime, actor } = context;
  const { key, answer: serial, part: partId, points } = validated(input, raw);
  const db = runtime.db.read;
  const given = await givenBySerial(db, serial);
  const work = given && (await assignmentById(db, given.assignmentId));
  if (!given || !work) throw new Refusal("not-found", "This answer is not there any more.");
  await demandClasses(context, "change", [work.classId]);
  const { item } = given;
  const versions = await versionsOf(runtime, [item.versionId]);
  const version = versions.get(item.versionId);
  if (!version) throw new Refusal("not-found", "This item is not in the library any more.");
  const drawn = drawerWith(runtime, versions).draw(item);
  const part = drawn.parts.find(({ id }) => id === partId);
  const criteria = part ? rubricOf(part) : null;
  if (!criteria || given.response[partId] === undefined)
    throw new Refusal("invalid", "This part is not scored by a person.");
  if (!isRating(criteria, points))
    throw new Refusal(
      "invalid",
      "Give each criterion one of its own points. Load the page again if the item was changed.",
    );
  const share = ratedShare(criteria, points);
  const judged: JudgedPart = {
    partId,
    earned: Number(share.n),
    possible: Number(share.d),
    misconceptionIds: [],
  };
  const [library, shelf, grade, known] = await Promise.all([
    libraryOf(runtime),
    shelfOf(runtime, item.skillId),
    gradeAtWork(db, given.personId, work.classId),
    knownOf(db, [given.personId]),
  ]);
  const now = runtime.now();
  const scores = scoresOfParts([judged], {
    personId: given.personId,
    skillId: item.skillId,
    drawn,
    version,
    whole: shelf.parametersOf(version, item.seed),
    library,
    grade,
    placements: known(given.personId).placements,
    by: { by: "person", scorerId: actor.personId, scoredAt: now },
  });
  await runtime.db.write(async (tx) => {
    await demandClasses(context, "change", [work.classId], tx);
    if (await ratingByKey(tx, key)) return;
    await insertRating(tx, { key, answerSerial: serial, part: partId, raterId: actor.personId, points, ratedAt: now });
    const before = await scoresOfAnswers(tx, [serial]);
    const fresh = scores.map((score) => ({
      ...score,
      answerSerial: serial,
      supersedes: before.find((one) => one.part === partId && one.skillId === score.skillId)?.serial ?? null,
      changeId: null,
    }));
    await supersede(tx, fresh);
    await moveRun(tx, given, drawn.parts.length);
    await rebuildIn(tx, given.personId, [...new Set(fresh.map(({ skillId }) => skillId))]);
  });
  return { points };
}

/** The item and the run as they stand now that this answer has another score; an item is worth something once each part is scored. */
async function moveRun(tx: Queryable, { serial, tryNumber, item }: GivenRow, parts: number): Promise<void> {
  if (tryNumber !== 1) return;
  const byPart = groupBy(await scoresOfAnswers(tx, [serial]), ({ part }) => part);
  if (byPart.size < parts) return;
  const earned = earnedOfParts([...byPart.values()].flatMap(([first]) => first ?? []));
  const items = (await itemsOfSitting(tx, item.sittingId)).map((one) =>
    one.id === item.id ? { ...one, ...earned } : one,
  );
  const [run] = await kindsOfSittings(tx, [item.sittingId]);
  const mark = run ? conductorOf(run.kind).mark({ items }) : null;
  await keepScoredItem(
    tx,
    { id: item.id, sittingId: item.sittingId, ...earned },
    { itemsRight: items.filter(isRightFirst).length, mark: mark?.toFraction() ?? null },
  );
}
