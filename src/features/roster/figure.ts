import "server-only";
import { classesWithoutTeacher, rosterCounts } from "@/db/queries/figures";
import { figure } from "@/server/classroom/figure";

const TABLES = ["people", "enrollments", "classes", "class_staff", "credentials"];

/** Students of the classes, or, of what keeps somebody from working, the most pressing. */
export const rosterFigure = figure(TABLES, async ({ db }, { classIds, schoolIds, today, now }) => {
  const of = classIds.length === 0 && schoolIds.length > 0 ? { schoolIds } : { classIds };
  const [{ students, locked, noClass, noSignIn }, noTeacher] = await Promise.all([
    rosterCounts(db.read, of, today, now),
    classesWithoutTeacher(db.read, of, today),
  ]);
  const pressing = (
    [
      [locked, "held at the door"],
      [noClass, "in no class"],
      [noTeacher, "without a teacher"],
      [noSignIn, "without a PIN"],
    ] as const
  ).find(([count]) => count > 0);
  if (pressing) return { text: `${pressing[0]} ${pressing[1]}`, attention: true };
  if (students === 0) return { text: "no students yet", attention: false };
  return { text: students === 1 ? "1 student" : `${students.toLocaleString("en-GB")} students`, attention: false };
});
