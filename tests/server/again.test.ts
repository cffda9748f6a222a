import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { openSitting, openWork } from "@/features/delivery/writes/openSitting";
import { readLesson } from "@/features/delivery/writes/readLesson";
import { composeView } from "@/features/work/reads/compose";
import { workView } from "@/features/work/reads/workView";
import { receiversOf } from "@/features/work/view/compose/composition";
import { firstComposition } from "@/features/work/view/compose/firstComposition";
import { messageOf } from "@/features/work/view/compose/message";
import { newExtra } from "@/features/work/view/compose/moreParts";
import { giveWork } from "@/features/work/writes/giveWork";
import { instantAt, schoolOf } from "@/server/runtime/school";
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

describe("parts mixed freely", () => {
  const mixed = async () => {
    const view = await composeView(await school.teacher(), [classId], [], null);
    const first = firstComposition(view, { ...NOTHING, skillIds: ["ratio-language"] }, null);
    const extras = [
      { ...newExtra(["ratio-language"], true) },
      { ...newExtra(["ratio-language"], false), kind: "sequential" as const, opens: { by: "word" as const } },
      {
        ...newExtra(["unit-rates"], false),
        kind: "amount" as const,
        items: 5,
        opens: { by: "day" as const, day: "2026-11-25" },
      },
    ];
    const composition = { ...first, title: "Ratios in four parts", extras };
    const id = school.runtime.newId();
    await giveWork(await school.teacher(), {
      ...messageOf(view, composition, { workId: school.runtime.newId() }),
      to: receiversOf(view, composition).map((to) => ({ ...to, assignmentId: id, due: null })),
    });
    return id;
  };
  const parts = async (id: string) => {
    const found = await openWork(school.student(studentIds[0] ?? ""), id, null);
    return found.as === "parts" ? found.view.parts : [];
  };

  it("stand in their order, each opened by what was set: the part before, a word, a day", async () => {
    const id = await mixed();
    expect((await parts(id)).map(({ kind, title, state, waitsFor }) => [kind, title, state, waitsFor])).toEqual([
      ["lesson", "To read", "open", []],
      ["practice", "Practice", "locked", ["First finish “To read”."]],
      ["sequential", "Short check", "locked", ["Your teacher opens it."]],
      ["amount", "Items", "locked", ["It opens on Wednesday 25 November."]],
    ]);
    const student = school.student(studentIds[0] ?? "");
    const lesson = await openSitting(student, id, (await parts(id))[0]?.partId ?? "");
    await readLesson(student, { sittingId: lesson.sittingId, skillId: "ratio-language" });
    expect((await parts(id)).map(({ state }) => state)).toEqual(["done", "open", "locked", "locked"]);
    // In the morning of the school's own zone.
    school.setNow(instantAt(await schoolOf(school.runtime, student.actor.schoolId), "2026-11-25", "06:00"));
    expect((await parts(id)).map(({ state }) => state)).toEqual(["done", "open", "locked", "open"]);
  });

  it("are given again as they were, with days of their own", async () => {
    const view = await composeView(await school.teacher(), [classId], [], await mixed());
    const { extras, made, skillIds, mainOpens } = firstComposition(view, NOTHING, null);
    expect({ made, skillIds, mainOpens }).toEqual({
      made: "practice",
      skillIds: ["ratio-language"],
      mainOpens: { by: "done" },
    });
    expect(extras.map(({ kind, skillIds: ids, isBefore, opens }) => [kind, ids, isBefore, opens.by])).toEqual([
      ["lesson", ["ratio-language"], true, "once"],
      ["sequential", ["ratio-language"], false, "word"],
      ["amount", ["unit-rates"], false, "once"],
    ]);
  });
});

it("a class may have a due day of its own", async () => {
  const other = await makeClass(school, 2, "6 Other");
  const teacher = await school.teacher();
  const view = await composeView(teacher, [classId, other.classId], [], null);
  const first = firstComposition(view, { ...NOTHING, skillIds: ["ratio-language"] }, null);
  const composition = {
    ...first,
    title: "Both",
    to: [classId, other.classId],
    dueDay: "2026-11-27",
    dueOf: { [other.classId]: "2026-12-01" },
  };
  const receivers = receiversOf(view, composition);
  expect(receivers.map(({ dueDay }) => dueDay)).toEqual([null, "2026-12-01"]);
  const ids = receivers.map(() => school.runtime.newId());
  const to = (due: (day: string | null) => object | null) =>
    receivers.map(({ dueDay, ...one }, place) => ({ ...one, assignmentId: ids[place], due: due(dueDay) }));
  const message = messageOf(view, composition, { workId: school.runtime.newId() });
  const at = (day: string | null) => (day === null ? null : { day, time: "20:00" });
  await expect(giveWork(teacher, { ...message, to: to(() => at("2026-11-20")) })).rejects.toThrow(
    "before the work opens",
  );
  await giveWork(teacher, { ...message, to: to(at) });
  expect(await Promise.all(ids.map(async (id) => (await workView(teacher, id)).dueDay))).toEqual([
    "2026-11-27",
    "2026-12-01",
  ]);
});
