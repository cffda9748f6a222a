import "server-only";
import { array, lazy, number, object, string } from "yup";
import type { SeriesRules } from "@/core/model/series";
import { seriesDays } from "@/core/work/seriesDays";
import { studentsOfClasses } from "@/db/queries/people";
import { added, changed } from "@/db/queries/rowChanges";
import { seriesById } from "@/db/queries/series";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { day, uuid, validated } from "@/server/runtime/validated";
import { giveSeriesDue } from "./giveSeriesDue";

/** Kinds that can be made anew from skills on each day. */
export const SERIES_KINDS = ["amount", "sequential", "practice", "contrast"] as const;
/** A year of daily pieces. */
const MOST_PIECES = 250;

const sourceInput = lazy((source: { by?: unknown } | undefined) =>
  source?.by === "plan"
    ? object({
        by: string().oneOf(["plan"]).required(),
        weeks: number()
          .integer()
          .min(1, "Look back at least a week.")
          .max(20, "Look back at most 20 weeks.")
          .required(),
      })
    : object({
        by: string().oneOf(["skills"]).required(),
        skillIds: array(string().required())
          .min(1, "Choose at least one skill.")
          .max(6, "Choose at most six skills.")
          .required(),
      }),
);

const input = object({
  id: uuid(),
  classId: string().required(),
  title: string()
    .trim()
    .min(1, "Give the series a title.")
    .max(60, "A title has at most 60 letters.")
    .required("Give the series a title."),
  kind: string().oneOf(SERIES_KINDS).required(),
  rules: object({
    source: sourceInput,
    items: number().integer().min(1).max(60).required(),
    weekdays: array(number().integer().min(1).max(5).required())
      .min(1, "Choose at least one weekday.")
      .max(5)
      .required(),
    everyWeeks: number().integer().min(1).max(8).required(),
    onHoliday: string().oneOf(["next", "skip"]).required(),
    dueAfter: number().integer().min(0).max(20).required(),
  }).required(),
  /** Null for everybody who is in the class on the day. */
  studentIds: array(string().required()).min(1, "Nobody is left: tick at least one student.").nullable().default(null),
  fromDay: day(),
  toDay: day(),
});

/** Sets up work that is given again and again, and gives what is due today. Sent again, it changes nothing. */
export async function makeSeries(context: Context, raw: unknown): Promise<{ readonly changeId: string | null }> {
  const { id, classId, title, kind, studentIds, fromDay, toDay, ...sent } = validated(input, raw);
  const rules = sent.rules as SeriesRules;
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  await demandClasses(context, "change", [classId]);
  const school = await schoolOf(runtime, staff.schoolId);
  const today = dayAt(school, runtime.now());
  if (toDay < fromDay) throw new Refusal("invalid", "It would end before it begins. Choose a later last day.");
  if (toDay < today) throw new Refusal("invalid", "These days are over. Choose a later last day.");
  const days = seriesDays(rules, { fromDay, toDay }, school.calendar);
  if (days.length === 0)
    throw new Refusal("invalid", "None of these weekdays is a school day between the two days. Choose others.");
  if (days.length > MOST_PIECES)
    throw new Refusal("invalid", `This would be ${days.length} pieces. Choose an earlier last day.`);
  if (rules.source.by === "skills") {
    const library = await libraryOf(runtime);
    for (const skillId of rules.source.skillIds) library.skill(skillId);
  }
  const changeId = await runtime.db.write(async (tx) => {
    const known = await seriesById(tx, id);
    if (known) {
      if (known.ownerId !== staff.personId) throw new Refusal("conflict", "This series exists already.");
      return null;
    }
    const enrolled = new Set((await studentsOfClasses(tx, [classId], today)).map(({ person }) => person.id));
    if (studentIds?.some((one) => !enrolled.has(one)))
      throw new Refusal("invalid", "Some of the ticked students are no longer in the class. Open the page again.");
    return recordChange(tx, context, {
      kind: "series-made",
      facts: { title, pieces: days.length },
      classId,
      rows: [
        added("series", {
          id,
          classId,
          ownerId: staff.personId,
          title,
          kind,
          rules,
          studentIds,
          fromDay,
          toDay,
          createdAt: runtime.now(),
          endedAt: null,
        }),
      ],
    });
  });
  await giveSeriesDue(runtime);
  return { changeId };
}

/** Ends a series: it gives nothing more, what it gave stays. */
export async function endSeries(context: Context, raw: unknown): Promise<{ readonly changeId: string }> {
  const { seriesId } = validated(object({ seriesId: string().required() }), raw);
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    const row = await seriesById(tx, seriesId);
    if (!row) throw new Refusal("not-found", "This series is not there any more.");
    await demandClasses(context, "change", [row.classId], tx);
    if (row.endedAt !== null) throw new Refusal("conflict", "This series was ended already.");
    const changeId = await recordChange(tx, context, {
      kind: "series-ended",
      facts: { title: row.title },
      classId: row.classId,
      rows: [changed("series", row, { endedAt: runtime.now() })],
    });
    return { changeId };
  });
}
