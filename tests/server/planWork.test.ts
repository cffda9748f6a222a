import { afterEach, beforeEach, expect, it } from "vitest";
import { planView } from "@/features/plan/reads/planView";
import { sharedPlanView } from "@/features/plan/reads/sharedPlans";
import { changePlan } from "@/features/plan/writes/changePlan";
import { choosePlan } from "@/features/plan/writes/choosePlan";
import { makePlan } from "@/features/plan/writes/sharedPlans";
import { composeView } from "@/features/work/reads/compose";
import { keepWork } from "@/features/work/writes/keepWork";
import type { Context } from "@/server/runtime/context";
import { givePractice, makeClass, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let ana: Context;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 2));
  ana = await school.teacher();
  await choosePlan(ana, {
    classIds: [classId],
    firstDay: "2026-10-19",
    subjectId: "mathematics",
    grade: 6,
    weekdays: [1, 2, 3, 4, 5],
  });
});
afterEach(() => school.close());

const put = (workId: string, place = 1) =>
  changePlan(ana, { classIds: [classId], what: "insert", place, slot: { id: school.runtime.newId(), workId } });

it("a slot holds kept work, takes a lesson, teaches nothing, and leads to giving it again", async () => {
  const assignmentId = await givePractice(school, classId, studentIds, { title: "Mixed Friday" });
  await keepWork(ana, { assignmentId });
  const [work] = (await planView(ana, classId)).putIn.works;
  expect(work?.name).toBe("Mixed Friday");
  const before = await planView(ana, classId);
  await put(work?.id ?? "");
  const after = await planView(ana, classId);
  expect(after.slots[1]).toMatchObject({
    title: "Mixed Friday",
    kind: "work",
    lessons: 1,
    againId: assignmentId,
    test: null,
    skills: [],
  });
  expect(after.putIn.works).toEqual([]);
  expect(after.done).toEqual(before.done);
  const again = await composeView(ana, [classId], [], after.slots[1]?.againId ?? "");
  expect(again.again).toMatchObject({ title: "Mixed Friday", skillIds: ["equivalent-ratios"] });
  // A plan made of the class's keeps it.
  const { planId } = await makePlan(ana, {
    id: school.runtime.newId(),
    name: "Ours",
    subjectId: "mathematics",
    grade: 6,
    classId,
  });
  expect((await sharedPlanView(ana, planId)).rows[1]).toMatchObject({ title: "Mixed Friday", againId: assignmentId });
});

it("work that is not kept, or is another's, is not put in", async () => {
  const assignmentId = await givePractice(school, classId, studentIds);
  await expect(put(assignmentId)).rejects.toThrow("not kept any more");
  expect((await planView(ana, classId)).putIn.works).toEqual([]);
});
