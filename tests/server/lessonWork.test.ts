import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { readLesson } from "@/features/delivery/writes/readLesson";
import { workView } from "@/features/work/reads/workView";
import { withdrawWork } from "@/features/work/writes/changeWork";
import { give, givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let kim: string;
let lou: string;
beforeEach(async () => {
  school = await testSchool();
  const made = await makeClass(school, 2);
  classId = made.classId;
  [kim = "", lou = ""] = made.studentIds;
});
afterEach(() => school.close());

const SKILLS = ["ratio-language", "equivalent-ratios"];
const giveLesson = () =>
  givePractice(school, classId, [kim, lou], { kind: "lesson", title: "Ratios, to read", skillIds: SKILLS, items: 2 });
const row = async (workId: string) =>
  (await workView(await school.teacher(), workId)).rows.find(({ studentId }) => studentId === kim);

describe("a lesson as work", () => {
  it("is read lesson by lesson, and done with the last; said twice it is noted once", async () => {
    const id = await giveLesson();
    const view = await openSitting(school.student(kim), id);
    expect(view).toMatchObject({ kind: "lesson", read: [], current: null, finished: null });
    expect(Object.keys(view.lessons)).toEqual(SKILLS);
    const read = (skillId: string) => readLesson(school.student(kim), { sittingId: view.sittingId, skillId });
    expect(await read("equivalent-ratios")).toEqual({ done: false });
    expect(await read("equivalent-ratios")).toEqual({ done: false });
    expect((await openSitting(school.student(kim), id)).read).toEqual(["equivalent-ratios"]);
    expect(await row(id)).toMatchObject({ status: "working", progress: 0.5 });
    expect(await read("ratio-language")).toEqual({ done: true });
    expect(await row(id)).toMatchObject({ status: "read", progress: 1, markPercent: null });
    const home = await studentHome(school.student(kim));
    expect(home.now).toEqual([]);
    expect(home.done).toMatchObject([{ title: "Ratios, to read", finished: "read" }]);
    // It stays open to be read again.
    expect(Object.keys((await openSitting(school.student(kim), id)).lessons)).toEqual(SKILLS);
  });

  it("refuses what is not in it, another's, and what was taken back", async () => {
    const id = await giveLesson();
    const { sittingId } = await openSitting(school.student(kim), id);
    const read = (skillId: string, who = kim) => readLesson(school.student(who), { sittingId, skillId });
    await expect(read("unit-rates")).rejects.toMatchObject({ code: "not-found" });
    await expect(read("ratio-language", lou)).rejects.toMatchObject({ code: "not-allowed" });
    const practice = await openSitting(school.student(kim), await givePractice(school, classId, [kim]));
    await expect(
      readLesson(school.student(kim), { sittingId: practice.sittingId, skillId: "equivalent-ratios" }),
    ).rejects.toMatchObject({ code: "not-found" });
    await withdrawWork(await school.teacher(), { assignmentId: id });
    await expect(read("ratio-language")).rejects.toMatchObject({ code: "closed" });
  });
});

describe("practice at own depth", () => {
  it("starts each student at their own place, and ends with its items", async () => {
    const { libraryOf } = await import("@/server/library/library");
    const library = await libraryOf(school.runtime);
    const strandId = library.skill("unit-rates").strandId;
    const skillIds = library.skills.filter((skill) => skill.strandId === strandId).map(({ id }) => id);
    const id = await givePractice(school, classId, [kim, lou], {
      kind: "depth",
      title: "At my own pace",
      skillIds,
      items: 6,
      settings: { scope: { strandIds: [strandId], above: 1, below: 4 } },
    });
    let view = await open(school, kim, id);
    const first = view.current?.skillId ?? "";
    expect(skillIds).toContain(first);
    while (view.finished === null) view = { ...view, ...(await give(school, kim, view, "right")).sitting };
    expect(view).toMatchObject({ finished: "amount", itemsDone: 6 });
    expect(await row(id)).toMatchObject({ status: "amount", itemsRight: 6 });
    // Three misses move down, where something lies under it.
    let other = await open(school, lou, id);
    const before = other.current?.skillId ?? "";
    for (let misses = 0; misses < 3; ) {
      const at = other.current?.presentationId;
      other = { ...other, ...(await give(school, lou, other, "wrong")).sitting };
      if (other.current?.presentationId !== at) misses++;
    }
    expect(other.current?.skillId).not.toBe(before);
  });

  it("wants strands", async () => {
    await expect(
      givePractice(school, classId, [kim], { kind: "depth", skillIds: ["unit-rates"], settings: {} }),
    ).rejects.toThrow("at least one strand");
  });
});
