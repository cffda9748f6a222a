import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { groupBy } from "@/core/collections/groupBy";
import { countingMark } from "@/core/measurement/countingMark";
import type { ItemParameters } from "@/core/measurement/item";
import type { Rational } from "@/core/numeric/rational";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { assignmentsOfClasses, type GivenWork, type PartRow, partsOfWorks, pickedItemsOf } from "@/db/queries/work";
import { type MarkOfWork, marksAtPart, marksOfWorks } from "@/server/classroom/marksOfWorks";
import { versionsOf } from "@/server/library/drawnItems";
import { shelfOf } from "@/server/library/shelf";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, instantInWords } from "@/server/runtime/school";
import type { ReportFrame } from "./frame";

/** A test over all classes of a frame that wrote it. */
export interface FrameTest {
  readonly part: PartRow;
  readonly words: string;
  readonly works: readonly GivenWork[];
  /** The mark that counts, by student. */
  readonly marks: ReadonlyMap<string, Rational>;
  /** Targets by student, and the class whose work it was. */
  readonly targets: ReadonlyMap<string, { readonly targetId: string; readonly classId: string }>;
}

/** The tests that the classes of a frame wrote in its days, each once however many classes it was given to; the earliest first. */
export async function testsOfFrame(runtime: Runtime, frame: ReportFrame): Promise<FrameTest[]> {
  const db = runtime.db.read;
  const inRange = (instant: number | null) => {
    if (instant === null) return false;
    const day = dayNumber(dayAt(frame.school, instant));
    return frame.range.from <= day && day <= frame.range.to;
  };
  const works = (await assignmentsOfClasses(db, frame.classIds)).filter(
    ({ isPrepared, givenAt, dueAt }) => !isPrepared && (inRange(givenAt) || inRange(dueAt)),
  );
  const parts = (
    await partsOfWorks(
      db,
      works.map(({ workId }) => workId),
    )
  ).filter(({ kind }) => conductorOf(kind).standsWhole);
  const withTests = works.filter(({ workId }) => parts.some((part) => part.workId === workId));
  const marks = await marksOfWorks(db, withTests);
  const inSight = new Set(frame.students.map(({ id }) => id));
  return [...groupBy(withTests, ({ workId }) => workId).values()]
    .sort(([x], [y]) => (x?.givenAt ?? 0) - (y?.givenAt ?? 0))
    .flatMap((own) => {
      const [first] = own as [GivenWork];
      return parts
        .filter(({ workId }) => workId === first.workId)
        .map((part): FrameTest => {
          const each = own.flatMap((work) =>
            [...(marks.get(work.id) ?? [])]
              .filter(([personId]) => inSight.has(personId))
              .map(([personId, mark]) => ({ work, personId, mark })),
          );
          return {
            part,
            words: `${part.title ? `${first.title}: ${part.title}` : first.title}, ${instantInWords(frame.school, writtenAt(each, part, first), "d MMM")}`,
            works: own,
            marks: new Map(
              each.flatMap(({ work, personId, mark }) => {
                const counts = countingMark(marksAtPart(mark, part.id), work.retake);
                return counts === null || mark.target.excusedAt !== null ? [] : [[personId, counts] as const];
              }),
            ),
            targets: new Map(
              each.map(({ work, personId, mark }) => [personId, { targetId: mark.target.id, classId: work.classId }]),
            ),
          };
        });
    })
    .filter((test) => test.marks.size > 0);
}

/** When most of it was over: the last run that was finished, or the giving where none was. */
const writtenAt = (each: readonly { readonly mark: MarkOfWork }[], { id }: PartRow, { givenAt }: GivenWork): number =>
  Math.max(
    givenAt,
    ...each.flatMap(({ mark }) =>
      mark.all.filter(({ partId }) => partId === id).map(({ finishedAt }) => finishedAt ?? 0),
    ),
  );

/** The items of a test's first form with their parameters in force; none where each student has others. */
export async function itemsOfTest(
  runtime: Runtime,
  { part }: Pick<FrameTest, "part">,
): Promise<{ readonly skillId: string; readonly parameters: ItemParameters }[]> {
  const placed = (await pickedItemsOf(runtime.db.read, part.id, "A")).filter(({ points }) => points !== 0);
  const versions = await versionsOf(
    runtime,
    placed.map(({ versionId }) => versionId),
  );
  const found = await Promise.all(
    placed.map(async ({ skillId, versionId, seed }) => {
      const version = versions.get(versionId);
      if (!version) return [];
      return [{ skillId, parameters: (await shelfOf(runtime, skillId)).parametersOf(version, seed) }];
    }),
  );
  return found.flat();
}
