import { insertMany } from "@/db/manyRows";
import { changeRows, changeSubjects, changes } from "@/db/schema/history";
import { importProgress } from "@/features/roster/reads/importView";
import { undoChange } from "@/server/history/undoChange";
import { START, type TestSchool, testSchool } from "~/tests/support/school";
import { importOf, packageOf, seconds } from "./bench-roster";

const STUDENTS = 20_000;
const CLASSES_A_STUDENT = 6;
/** What a school of that size writes down in a year. */
const ENTRIES = 200_000;
const AT_ONCE = 20_000;
const POLLS = 50;

/** A year's history before the import: entries of all areas, each about one thing and with one row. */
async function fillHistory(school: TestSchool): Promise<void> {
  for (let from = 0; from < ENTRIES; from += AT_ONCE)
    await school.db.write(async (tx) => {
      const ids = Array.from({ length: AT_ONCE }, (_, n) => `00000000-${String(from + n).padStart(8, "0")}`);
      const entry = {
        schoolId: school.schoolId,
        actorId: "cora",
        at: START - 86_400_000,
        kind: "work-withdrawn" as const,
        facts: { title: "Something" },
        undoable: true,
      };
      await insertMany(
        tx,
        changes,
        ids.map((id) => ({ ...entry, id, classId: null, area: "work", undoes: null })),
      );
      await insertMany(
        tx,
        changeSubjects,
        ids.map((id) => ({ id: `${id}-0`, changeId: id, subjectId: `thing-${id}` })),
      );
      const rows = (id: string) => [{ table: "works", id: `work-${id}`, before: null, after: { title: "Practice" } }];
      await insertMany(
        tx,
        changeRows,
        ids.map((id) => ({ id: `${id}-0`, changeId: id, place: 0, rows: rows(id) })),
      );
    });
}

async function importAndUndo(school: TestSchool, bytes: Uint8Array) {
  const imported = await importOf(school, bytes);
  const { draftId } = imported.preview.value;
  const polled = await seconds(async () => {
    for (let n = 0; n < POLLS; n++) await importProgress(imported.context, draftId);
  });
  const applied = await seconds(imported.apply);
  const undone = await seconds(() => undoChange(imported.context, applied.value.changeId));
  return { poll: (polled.took / POLLS) * 1000, applied: applied.took, undone: undone.took };
}

/** What a long history costs: an import of a district and its undo, in a young database and in one with a year behind it. */
export async function benchHistory(): Promise<void> {
  const bytes = packageOf(STUDENTS, CLASSES_A_STUDENT);
  const young = await testSchool();
  const before = await importAndUndo(young, bytes);
  young.close();
  const old = await testSchool();
  await fillHistory(old);
  const after = await importAndUndo(old, bytes);
  old.close();
  const line = (what: string, from: number, to: number, unit: string, digits: number) =>
    console.log(
      `  ${what.padEnd(31)}${from.toFixed(digits)} ${unit}, then ${to.toFixed(digits)} ${unit}: ${(to / from).toFixed(2)} times`,
    );
  console.log(
    `\n${STUDENTS.toLocaleString("en-GB")} students imported and undone, without and with ${ENTRIES.toLocaleString("en-GB")} entries of history (aim 1.3 times or less)`,
  );
  line("applied in one transaction", before.applied, after.applied, "s", 1);
  line("undone as one", before.undone, after.undone, "s", 1);
  line("asking how far the reading is", before.poll, after.poll, "ms", 2);
}
