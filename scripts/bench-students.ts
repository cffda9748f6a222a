import { v7 } from "uuid";
import type { ItemView, SittingView } from "@/features/delivery/types";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { signInStudent } from "@/server/access/signIn";
import { givePractice, HERE, makeClass, type TestSchool } from "~/tests/support/school";

/** What a student has open, as far as answering goes. */
export type Shown = Pick<SittingView, "sittingId"> & {
  /** Items in reserve that the browser has. */
  readonly reserveIds?: readonly string[];
  readonly current: Pick<ItemView, "presentationId" | "tries"> | null;
};

export interface BenchStudent {
  readonly studentId: string;
  readonly cookie: string;
  /** The pieces of work that are not finished, the one that is worked on first. */
  readonly views: Shown[];
}

/** A whole class at work: signed in, with pieces of work open. Works run from two days ago for a fortnight. */
export async function benchStudents(
  school: TestSchool,
  { count, works, className }: { readonly count: number; readonly works: number; readonly className: string },
): Promise<BenchStudent[]> {
  const { classId, studentIds } = await makeClass(school, count, className);
  const day = (ahead: number) => new Date(Date.now() + ahead * 86_400_000).toISOString().slice(0, 10);
  const over = {
    skillIds: ["times-as-many", "ratio-language", "equivalent-ratios"],
    items: 40,
    opensDay: day(-2),
    dueDay: day(14),
  };
  const workIds: string[] = [];
  for (let n = 0; n < works; n++) workIds.push(await givePractice(school, classId, studentIds, over));
  const slips = await newSignIns(await school.teacher(), { studentIds });
  const students: BenchStudent[] = [];
  for (const { studentId, code, pin } of slips) {
    const token = await signInStudent(school.runtime, { code, studentId, pin }, HERE);
    const views: Shown[] = [];
    for (const workId of workIds) views.push(await openSitting(school.student(studentId), workId));
    students.push({ studentId, cookie: `oxbow_session=${token}`, views });
  }
  return students;
}

/** An answer to the item that is open, with a key of its own. */
export const messageOf = (view: Shown) => ({
  key: v7(),
  sittingId: view.sittingId,
  presentationId: view.current?.presentationId,
  tryNumber: (view.current?.tries ?? 0) + 1,
  // Wrong as a number; as an option mostly wrong too: the work should last.
  response: { a: { text: "98765", option: "A" } },
  hintsUsed: 0,
  milliseconds: 20_000,
  agoMilliseconds: 0,
  deviceClock: Date.now(),
  offline: false,
  holds: view.reserveIds ?? [],
});
