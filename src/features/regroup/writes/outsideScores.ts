import "server-only";
import { array, type InferType, number, object, string } from "yup";
import { dayNumber } from "@/core/calendar/dayNumber";
import { abilitiesFromScores, LEAST_SCORES, SCORE_VALIDITY } from "@/core/measurement/abilitiesFromScores";
import { mixedPrior } from "@/core/measurement/mixedPrior";
import { sameScale } from "@/core/roster/sameScale";
import { scoreListById, scoreListsOf } from "@/db/queries/outsideScores";
import { added, changed } from "@/db/queries/rowChanges";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { type Classroom, loadClassroom } from "@/server/classroom/classroom";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { day, uuid, validated } from "@/server/runtime/validated";
import { WHOLE_SUBJECT } from "../scoreTypes";

/** What a test told longer ago says too little of a student of today. */
const OLDEST_DAYS = 730;
const MOST_STUDENTS = 200;
const MOST_COLUMNS = 12;

const score = object({
  score: number().min(0, "A score can't be below 0.").max(100_000).required(),
  outOf: number().positive("A score is out of more than 0.").nullable().defined(),
})
  .test(
    "within",
    "A score can't be above what it is out of.",
    ({ score: got, outOf }) => outOf === null || got <= outOf,
  )
  .nullable()
  .defined();

const keepInput = object({
  /** Made by the browser: sent twice, it is kept once. */
  id: uuid(),
  classIds: array(string().required()).min(1, "Choose a class.").max(20).required(),
  title: string().trim().required("Say which test this was.").max(60, "A test's name has at most 60 letters."),
  onDay: day(),
  /** What each column of scores is about: a strand, a whole subject, or nothing. */
  columns: array(string().nullable().defined()).min(1).max(MOST_COLUMNS).required(),
  rows: array(object({ studentId: string().required(), scores: array(score).required() }))
    .min(1, "No line fits a student of the class.")
    .max(MOST_STUDENTS, `At most ${MOST_STUDENTS} students at once.`)
    .test("once", "Somebody stands in two lines. Leave one of them out.", (rows) => {
      const ids = rows?.map(({ studentId }) => studentId) ?? [];
      return new Set(ids).size === ids.length;
    })
    .required(),
});

/**
 * Keeps scores of a test that was taken elsewhere. They place each student in the strands until a diagnostic or answers say more. A list of the
 * same name that stands already gives way to the new one.
 */
export async function keepOutsideScores(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const input = validated(keepInput, raw);
  const { runtime } = context;
  await demandClasses(context, "change", input.classIds);
  const classroom = await loadClassroom(runtime, staff.schoolId, input.classIds);
  if (input.onDay > classroom.today) throw new Refusal("invalid", "The day of the test is still to come.");
  if (dayNumber(classroom.today) - dayNumber(input.onDay) > OLDEST_DAYS)
    throw new Refusal("invalid", "A test of more than two years ago says too little of today.");
  const scores = placed(input, classroom);
  return runtime.db.write(async (tx) => {
    await demandClasses(context, "change", input.classIds, tx);
    if (await scoreListById(tx, input.id)) return { changeId: null };
    const now = runtime.now();
    const before = (await scoreListsOf(tx, input.classIds)).filter(
      ({ list }) => list.title.toLowerCase() === input.title.toLowerCase(),
    );
    const changeId = await recordChange(tx, context, {
      kind: "outside-scores-kept",
      facts: {
        title: input.title,
        students: new Set(scores.map(({ personId }) => personId)).size,
        strands: new Set(scores.map(({ strandId }) => strandId)).size,
      },
      classId: input.classIds[0] ?? null,
      subjectIds: [...new Set(scores.map(({ personId }) => personId))],
      rows: [
        ...before.map(({ list }) => changed("scoreLists", list, { removedAt: now })),
        added("scoreLists", {
          id: input.id,
          classId: input.classIds[0] ?? "",
          title: input.title,
          onDay: input.onDay,
          byId: staff.personId,
          keptAt: now,
          removedAt: null,
        }),
        ...scores.map((row) => added("outsideScores", { id: runtime.newId(), listId: input.id, ...row })),
      ],
    });
    return { changeId };
  });
}

/** What each score comes to: an ability in its strand, or in each strand that no column is about where it is of the whole subject. */
function placed(
  { columns, rows }: InferType<typeof keepInput>,
  { students, skills }: Pick<Classroom, "students" | "skills">,
) {
  const strands = new Map(skills.map(({ strandId, strand }) => [strandId, strand]));
  const about = columns.filter((column) => column !== null);
  if (about.length === 0) throw new Refusal("invalid", "Say what at least one column is about.");
  if (new Set(about).size < about.length)
    throw new Refusal("invalid", "Two columns are about the same. Leave one of them out.");
  const wholes = new Set(skills.map(({ subjectId }) => `${WHOLE_SUBJECT}${subjectId}`));
  if (about.some((id) => !wholes.has(id) && !strands.has(id)))
    throw new Refusal("invalid", "A column is about something that this class is not taught. Open the page again.");
  const gradeOf = new Map(students.map(({ id, workedAt }) => [id, workedAt]));
  if (rows.some(({ studentId }) => !gradeOf.has(studentId)))
    throw new Refusal("conflict", "Somebody here is not in the class any more. Open the page again.");
  const prior = mixedPrior(rows.map(({ studentId }) => gradeOf.get(studentId) ?? null));
  return columns.flatMap((column, place) => {
    if (column === null) return [];
    const whole = wholes.has(column);
    const name = strands.get(column) ?? "the whole subject";
    const own = rows.flatMap(({ studentId, scores }) => {
      const written = scores[place];
      return written ? [{ personId: studentId, score: written.score, outOf: written.outOf ?? null }] : [];
    });
    const scale = sameScale(own);
    if (!scale) throw new Refusal("invalid", `Of the scores in ${name}, some say out of how many and others do not.`);
    if (own.length < LEAST_SCORES)
      throw new Refusal(
        "invalid",
        `There are ${own.length} scores in ${name}. With fewer than ${LEAST_SCORES} nobody can be placed by their order.`,
      );
    const abilities = abilitiesFromScores(scale, prior, whole ? SCORE_VALIDITY.whole : SCORE_VALIDITY.strand);
    if (!abilities) throw new Refusal("invalid", `Everybody has the same score in ${name}, which tells nobody apart.`);
    const inSubject = skills.filter(({ subjectId }) => column === `${WHOLE_SUBJECT}${subjectId}`);
    const strandIds = whole
      ? [...new Set(inSubject.map(({ strandId }) => strandId))].filter((id) => !about.includes(id))
      : [column];
    return own.flatMap((row, line) => {
      const ability = abilities[line];
      return ability ? strandIds.map((strandId) => ({ ...row, strandId, whole, ...ability })) : [];
    });
  });
}

const removeInput = object({ listId: string().required() });

/** Takes a list of scores away: it counts for nothing any more, and can be brought back. */
export async function removeOutsideScores(context: Context, raw: unknown): Promise<{ changeId: string }> {
  demandStaff(context.actor);
  const { listId } = validated(removeInput, raw);
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    const list = await scoreListById(tx, listId);
    await demandClasses(context, "change", [list?.classId ?? ""], tx);
    if (!list || list.removedAt !== null) throw new Refusal("not-found", "These scores were taken away already.");
    const changeId = await recordChange(tx, context, {
      kind: "outside-scores-removed",
      facts: { title: list.title },
      classId: list.classId,
      rows: [changed("scoreLists", list, { removedAt: runtime.now() })],
    });
    return { changeId };
  });
}
