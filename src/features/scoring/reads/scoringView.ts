import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { groupBy } from "@/core/collections/groupBy";
import { roomOf } from "@/core/items/rooms";
import { rubricOf } from "@/core/items/rubricOf";
import { classesById, peopleById } from "@/db/queries/people";
import { answersGivenTo, ratingsOf, versionsGivenIn } from "@/db/queries/ratings";
import { assignmentById } from "@/db/queries/work";
import { demandClasses } from "@/server/access/subjects";
import { shortNames } from "@/server/classroom/names";
import { drawerWith, versionsOf } from "@/server/library/drawnItems";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { schoolOf } from "@/server/runtime/school";
import type { AnswerToScore, PartToScore, ScoringView } from "../types";

/** Everything of a piece of work that a person scores, part by part; who waits comes first. */
export async function scoringView(context: Context, assignmentId: string): Promise<ScoringView> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const work = await assignmentById(db, assignmentId);
  if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
  await demandClasses(context, "change", [work.classId]);
  const [versions, [ofClass], school] = await Promise.all([
    versionsOf(runtime, await versionsGivenIn(db, assignmentId)),
    classesById(db, [work.classId]),
    schoolOf(runtime, work.schoolId),
  ]);
  const asked = [...versions.values()].filter(({ body }) => body.parts.some(({ kind }) => roomOf(kind).rubric));
  const given = await answersGivenTo(
    db,
    assignmentId,
    asked.map(({ id }) => id),
  );
  const ratings = await ratingsOf(
    db,
    given.map(({ serial }) => serial),
  );
  const people = await peopleById(db, [...given.map(({ personId }) => personId), ...ratings.map((one) => one.raterId)]);
  const names = shortNames(people);
  const { drawIfKnown } = drawerWith(runtime, versions);
  const rows = given.flatMap((answer) => {
    const drawn = drawIfKnown(answer.item);
    return (drawn?.parts ?? []).flatMap((part) => {
      const criteria = rubricOf(part);
      const response = answer.response[part.id];
      if (!criteria || !drawn || response === undefined) return [];
      const rating = ratings.findLast((one) => one.answerSerial === answer.serial && one.part === part.id);
      const own: AnswerToScore = {
        serial: answer.serial,
        studentId: answer.personId,
        name: names.get(answer.personId) ?? "",
        text: roomOf(part.kind).responseWords(part.drawn, response),
        ownQuestion: null,
        given: format(new TZDate(answer.givenAt, school.timeZone), "EEE d MMM, HH:mm"),
        points: rating?.points ?? null,
        by: rating && rating.raterId !== actor.personId ? (names.get(rating.raterId) ?? "") : null,
      };
      const question = [drawn.stem, part.prompt].filter((text) => text).join("\n");
      return [{ key: `${drawn.versionId} ${part.id}`, part, question, criteria, own }];
    });
  });
  return {
    workId: work.id,
    title: work.title,
    className: ofClass?.name ?? "",
    parts: [...groupBy(rows, ({ key }) => key)].flatMap(([key, all]): PartToScore[] => {
      const [first] = all;
      if (!first) return [];
      return [
        {
          key,
          part: first.part.id,
          question: first.question,
          criteria: first.criteria.map(({ id, name, levels }) => ({ id, name, levels })),
          sample: first.part.keyText,
          answers: all
            .map(({ own, question }) => (question === first.question ? own : { ...own, ownQuestion: question }))
            .sort((x, y) => Number(x.points !== null) - Number(y.points !== null) || x.name.localeCompare(y.name)),
        },
      ];
    }),
  };
}
