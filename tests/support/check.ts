import { workRows } from "@/server/classroom/workRows";
import { recordChange } from "@/server/history/recordChange";
import { START, type TestSchool } from "./school";

/** Gives a check of some items to students, as a reteach does. */
export async function assignCheck(
  school: TestSchool,
  classId: string,
  studentIds: readonly string[],
  items: number,
): Promise<string> {
  const context = await school.teacher();
  const id = school.runtime.newId();
  const rows = workRows(
    context,
    {
      title: "Check",
      instructions: "",
      parts: [{ kind: "check", settings: { items }, skillIds: ["equivalent-ratios"] }],
    },
    [{ id, classId, opensAt: START, dueAt: START + 4 * 86_400_000, studentIds }],
  );
  await school.db.write((tx) =>
    recordChange(tx, context, {
      kind: "work-assigned",
      facts: { title: "Check", students: studentIds.length, of: studentIds.length },
      classId,
      rows,
    }),
  );
  return id;
}
