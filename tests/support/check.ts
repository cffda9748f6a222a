import { workRows } from "@/server/classroom/workRows";
import { recordChange } from "@/server/runtime/history";
import { START, type TestSchool } from "./school";

/** Gives a check of some items to students, as a reteach does. */
export async function assignCheck(
  school: TestSchool,
  classId: string,
  studentIds: readonly string[],
  budgetItems: number,
): Promise<string> {
  const context = await school.teacher();
  const id = school.runtime.newId();
  const rows = workRows(context, {
    id,
    classId,
    kind: "check",
    title: "Check",
    instructions: "",
    opensAt: START,
    dueAt: START + 4 * 86_400_000,
    budgetItems,
    skillIds: ["equivalent-ratios"],
    studentIds,
  });
  await school.db.write((tx) =>
    recordChange(tx, context, { area: "work", kind: "check", summary: "A check", classId, rows }),
  );
  return id;
}
