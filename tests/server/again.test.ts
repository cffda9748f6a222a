import { afterEach, beforeEach, expect, it } from "vitest";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { composeView } from "@/features/work/reads/compose";
import { messageOf, receiversOf } from "@/features/work/view/compose/composition";
import { firstComposition } from "@/features/work/view/compose/firstComposition";
import { giveWork } from "@/features/work/writes/giveWork";
import { givePractice, makeClass, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
});
afterEach(() => school.close());

const NOTHING = { skillIds: [], items: null, title: "", made: "practice" as const };
/** What the page sends when nothing is changed on it. */
async function givenAgain(assignmentId: string, toClassId = classId): Promise<string> {
  const teacher = await school.teacher();
  const view = await composeView(teacher, [toClassId], [], assignmentId);
  const composition = firstComposition(view, NOTHING, null);
  const id = school.runtime.newId();
  await giveWork(teacher, {
    ...messageOf(view, composition, { workId: school.runtime.newId() }),
    to: receiversOf(view, composition).map((to) => ({ ...to, assignmentId: id })),
  });
  return id;
}
const stems = async (assignmentId: string, studentId: string) => {
  const view = await openSitting(school.student(studentId), assignmentId);
  return (view.whole?.items ?? [view.current]).map((item) => item?.stem);
};

it("a test that is given again asks the same, with its points, to another class too", async () => {
  const picked = [
    { itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: 4, points: 3 },
    { itemId: "unit-rates/for-one", skillId: "unit-rates", seed: 3 },
  ];
  const first = await givePractice(school, classId, studentIds, {
    kind: "quiz",
    title: "Friday test",
    skillIds: ["ratio-language", "unit-rates"],
    items: 2,
    picked,
    settings: { goBack: true, minutes: 15 },
    rules: { cutPercent: 70, release: { score: "done" } },
  });
  const other = await makeClass(school, 2, "6 Other");
  const again = await givenAgain(first, other.classId);
  expect(await stems(again, other.studentIds[0] ?? "")).toEqual(await stems(first, studentIds[0] ?? ""));
  const view = await composeView(await school.teacher(), [classId], [], first);
  expect(firstComposition(view, NOTHING, null)).toMatchObject({
    made: "quiz",
    title: "Friday test",
    rules: { cutPercent: 70, score: "done", answers: "word" },
    test: { minutes: 15, goBack: true, skills: [{ items: 1 }, { items: 1 }] },
  });
  expect(view.again?.forms[0]?.map(({ points }) => points)).toEqual([3, 1]);
});

it("practice and picked items come again as they were", async () => {
  const practice = await givePractice(school, classId, studentIds, { items: 12, certainty: "stricter" });
  const made = async (id: string) =>
    firstComposition(await composeView(await school.teacher(), [classId], [], id), NOTHING, null);
  expect(await made(practice)).toMatchObject({ made: "practice", items: 12, certainty: "stricter" });
  const picked = await givePractice(school, classId, studentIds, {
    kind: "amount",
    skillIds: ["unit-rates"],
    picked: [{ itemId: "unit-rates/for-one", skillId: "unit-rates", seed: 7 }],
  });
  expect(await made(picked)).toMatchObject({ made: "amount" });
  const again = await givenAgain(picked);
  expect(await stems(again, studentIds[0] ?? "")).toEqual(await stems(picked, studentIds[0] ?? ""));
});

it("nobody looks into work of a class that is not theirs", async () => {
  const first = await givePractice(school, classId, studentIds);
  await expect(composeView(await school.teacher("ben"), [], [], first)).rejects.toMatchObject({ code: "not-allowed" });
});
