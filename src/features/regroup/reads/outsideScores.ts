import "server-only";
import { fullName } from "@/core/roster/fullName";
import { type OutsideScoreRow, scoreListsOf, scoresOfLists } from "@/db/queries/outsideScores";
import { classesById } from "@/db/queries/people";
import { demandClasses } from "@/server/access/subjects";
import { type Classroom, loadClassroom } from "@/server/classroom/classroom";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { type KeptScores, type ScoreAbout, type ScoresView, WHOLE_SUBJECT } from "../scoreTypes";

/** What is needed to bring in scores of a test taken elsewhere, and the lists that count. */
export async function scoresView(context: Context, classIds: readonly string[]): Promise<ScoresView> {
  await demandClasses(context, "see", classIds);
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const [classroom, classes, lists, library] = await Promise.all([
    loadClassroom(runtime, actor.schoolId, classIds),
    classesById(db, classIds),
    scoreListsOf(db, classIds),
    libraryOf(runtime),
  ]);
  const rows = await scoresOfLists(
    db,
    lists.map(({ list }) => list.id),
  );
  const subjectName = (id: string) => library.subjects.find((subject) => subject.id === id)?.name ?? id;
  return {
    classIds,
    className: classes.map(({ name }) => name).join(", "),
    today: classroom.today,
    students: classroom.students.map(({ id, fullName: name, studentNumber }) => ({ id, name, studentNumber })),
    about: aboutOf(classroom, subjectName),
    lists: lists.map(({ list, by }) => ({
      id: list.id,
      title: list.title,
      onDay: list.onDay,
      by: fullName(by),
      ...tableOf(
        rows.filter(({ listId }) => listId === list.id),
        classroom,
        subjectName,
      ),
    })),
  };
}

function aboutOf({ skills }: Classroom, subjectName: (id: string) => string): ScoreAbout[] {
  const strands = new Map(skills.map(({ strandId, strand }) => [strandId, strand]));
  const subjects = [...new Set(skills.map(({ subjectId }) => subjectId))];
  return [
    ...[...strands].map(([id, name]) => ({ id, name, whole: false })),
    ...subjects.map((id) => ({ id: `${WHOLE_SUBJECT}${id}`, name: `All of ${subjectName(id)}`, whole: true })),
  ];
}

/** A list as it was brought in: a column a strand, one for what was told of a whole subject; students of the class only. */
function tableOf(
  rows: readonly OutsideScoreRow[],
  { students, skills }: Classroom,
  subjectName: (id: string) => string,
): Pick<KeptScores, "columns" | "lines"> {
  const skillOf = (strandId: string) => skills.find((skill) => skill.strandId === strandId);
  const keyOf = ({ whole, strandId }: OutsideScoreRow) =>
    whole ? `${WHOLE_SUBJECT}${skillOf(strandId)?.subjectId ?? ""}` : strandId;
  const nameOf = ({ whole, strandId }: OutsideScoreRow) => {
    const skill = skillOf(strandId);
    return whole ? `All of ${subjectName(skill?.subjectId ?? "")}` : (skill?.strand ?? strandId);
  };
  const columns = [...new Map(rows.map((row) => [keyOf(row), nameOf(row)]))].map(([key, name]) => ({ key, name }));
  return {
    columns,
    lines: students.flatMap(({ id, fullName: name }) => {
      const own = rows.filter(({ personId }) => personId === id);
      if (own.length === 0) return [];
      const scores = columns.map(({ key }) => {
        const found = own.find((row) => keyOf(row) === key);
        return found ? { score: found.score, outOf: found.outOf } : null;
      });
      return [{ studentId: id, name, scores }];
    }),
  };
}
