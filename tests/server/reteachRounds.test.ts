import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { people } from "@/db/schema/people";
import { reteachStudents } from "@/db/schema/reteach";
import { pieceData } from "@/features/evidence/reads/piece/pieceData";
import { USUAL_HABITS } from "@/features/regroup/limits";
import { groupList } from "@/features/regroup/reads/groupList";
import { groupView } from "@/features/regroup/reads/groupView";
import { lessonFor, planOfGroup } from "@/features/regroup/reads/lesson";
import { limitsOf } from "@/features/regroup/reads/suggest/limitsOf";
import { suggestions } from "@/features/regroup/reads/suggest/suggestions";
import { whatHelpedIn } from "@/features/regroup/reads/whatHelped";
import { worthView } from "@/features/regroup/reads/worth";
import { assignReteach } from "@/features/regroup/writes/assignReteach";
import { moveMembers, shareGroup } from "@/features/regroup/writes/groups";
import { keepHabits } from "@/features/regroup/writes/habits";
import { judgeDue } from "@/features/regroup/writes/judgeDue";
import { keepOwnReteach, notePresence, noteVisit } from "@/features/regroup/writes/lessonNotes";
import { makeGroups } from "@/features/regroup/writes/makeGroups";
import { workList } from "@/features/work/reads/works";
import { workView } from "@/features/work/reads/workView";
import { moveDueDay, withdrawWork } from "@/features/work/writes/changeWork";
import { undoChange } from "@/server/history/undoChange";
import { libraryOf } from "@/server/library/library";
import { givePractice, makeClass, open, START, type TestSchool, testSchool } from "../support/school";
import { workToEnd } from "../support/workToEnd";

const DAY = 86_400_000;
const SKILL = "ratio-language";
let school: TestSchool;
let classId: string;
let studentIds: string[];

/** Ten students, all of whom trip over ratio language. */
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 10));
  const workId = await givePractice(school, classId, studentIds, { skillIds: [SKILL], items: 5 });
  for (const id of studentIds) await workToEnd(school, id, workId, () => "wrong");
});
afterEach(() => school.close());

async function aGroup(of: readonly string[] = studentIds.slice(0, 4), key = "ana", classIds = [classId]) {
  const groupId = school.runtime.newId();
  await makeGroups(await school.teacher(key), {
    classIds,
    groups: [{ id: groupId, name: "Words", skillId: SKILL, studentIds: of }],
  });
  return groupId;
}

async function aRound(groupId: string, over: object = {}, key = "ana") {
  const reteachId = school.runtime.newId();
  await assignReteach(await school.teacher(key), {
    groupId,
    reteachId,
    practiceDueDay: "2026-11-25",
    checkOpensDay: "2026-11-23",
    checkDueDay: "2026-11-27",
    checkItems: 5,
    ...over,
  });
  return reteachId;
}

describe("whether a reteach worked", () => {
  it("is judged once all who were there and those alike have done the check, and stays", async () => {
    const teacher = await school.teacher();
    const groupId = await aGroup();
    const reteachId = await aRound(groupId);
    const [away = "", ...taught] = studentIds.slice(0, 4);
    const first = await groupView(teacher, groupId);
    const { checkWorkId = "" } = first.round ?? {};
    expect(first.round).toMatchObject({ approach: "things", judgedDay: null, by: "Ana Tester" });
    const alike = (await workView(teacher, checkWorkId)).rows
      .map(({ studentId }) => studentId)
      .filter((id) => !studentIds.slice(0, 4).includes(id));
    expect(alike.length).toBeGreaterThanOrEqual(3);
    expect(first.round?.compared).toEqual({ done: 0, of: alike.length });
    await notePresence(teacher, {
      reteachId,
      presence: [away, ...taught].map((studentId) => ({ studentId, there: studentId !== away })),
    });
    for (const id of taught) await workToEnd(school, id, checkWorkId, () => "right");
    expect((await groupView(teacher, groupId)).round).toMatchObject({ judgedDay: null });
    for (const id of alike) await workToEnd(school, id, checkWorkId, () => "wrong");
    const { round, outcome, next } = await groupView(teacher, groupId);
    expect(round).toMatchObject({ worked: "worked", compared: { done: alike.length, of: alike.length } });
    expect(round?.figures).toMatchObject({ students: 3, check: { change: 1, changeOfSimilar: 0 } });
    expect(outcome).toMatchObject({ students: 3, away: 1, open: 0 });
    expect(next.students.map(({ id, why }) => [id, why])).toContainEqual([away, "away"]);
    // Later answers, and a later look, change nothing of it.
    school.setNow(START + 30 * DAY);
    await judgeDue(school.runtime);
    expect((await groupView(await school.teacher(), groupId)).round?.figures).toEqual(round?.figures);
    await expect(
      notePresence(await school.teacher(), { reteachId, presence: [{ studentId: away, there: true }] }),
    ).rejects.toMatchObject({ code: "conflict" });
    const helped = await whatHelpedIn(await school.teacher(), [classId]);
    expect(helped).toMatchObject({ students: 3, rounds: 1, worked: 1, compared: 1 });
    expect(helped.lines[0]).toMatchObject({ approach: "things", students: 3, few: true });
  });

  it("is judged when the check is over, with those who did it; nobody is worth saying so", async () => {
    const teacher = await school.teacher();
    const [some, nobody] = [await aGroup(studentIds.slice(0, 2)), await aGroup(studentIds.slice(2, 4))];
    await aRound(some, { compare: false });
    await aRound(nobody, { compare: false });
    const { checkWorkId = "" } = (await groupView(teacher, some)).round ?? {};
    await workToEnd(school, studentIds[0] ?? "", checkWorkId, () => "right");
    expect(await judgeDue(school.runtime)).toBe(0);
    school.setNow(START + 5 * DAY);
    expect(await judgeDue(school.runtime)).toBe(2);
    expect(await judgeDue(school.runtime)).toBe(0);
    const later = await school.teacher();
    const view = await groupView(later, some);
    expect(view.round).toMatchObject({ worked: "no-comparison", figures: { students: 1, chance: null } });
    // Whoever did not do the check comes round again.
    expect(view.next.students.map(({ id }) => id)).toContain(studentIds[1]);
    expect((await groupView(later, nobody)).round).toMatchObject({ figures: { students: 0 } });
  });

  it("counts who did the check also where what it says alone was not kept, and leaves a withdrawn check alone", async () => {
    const teacher = await school.teacher();
    const [old, withdrawn] = [await aGroup(studentIds.slice(0, 2)), await aGroup(studentIds.slice(2, 4))];
    for (const groupId of [old, withdrawn]) await aRound(groupId, { compare: false });
    const check = async (groupId: string) => (await groupView(teacher, groupId)).round?.checkWorkId ?? "";
    await workToEnd(school, studentIds[0] ?? "", await check(old), () => "right");
    // As a school of the version before has it.
    await school.db.write((tx) => tx.update(reteachStudents).set({ chanceByCheck: null }));
    await withdrawWork(teacher, { assignmentId: await check(withdrawn) });
    school.setNow(START + 5 * DAY);
    expect(await judgeDue(school.runtime)).toBe(1);
    const later = await school.teacher();
    expect((await groupView(later, old)).round?.figures).toEqual({ chance: null, check: null, students: 1 });
    expect((await groupView(later, withdrawn)).round).toMatchObject({ judgedDay: null });
  });

  it("offers as many classmates for comparison as get the check, none of them taught the skill again elsewhere", async () => {
    const teacher = await school.teacher();
    await aRound(await aGroup(studentIds.slice(0, 8)), { compare: false });
    const groupId = await aGroup(studentIds.slice(8, 9));
    const { similar } = (await groupView(teacher, groupId)).next;
    await aRound(groupId);
    expect((await groupView(teacher, groupId)).round?.compared.of).toBe(similar);
    expect(similar).toBe(1);
  });

  it("says nothing of luck: those who stand alike move as far", async () => {
    const teacher = await school.teacher();
    const groupId = await aGroup();
    await aRound(groupId);
    const { checkWorkId = "" } = (await groupView(teacher, groupId)).round ?? {};
    const all = (await workView(teacher, checkWorkId)).rows.map(({ studentId }) => studentId);
    for (const id of all) await workToEnd(school, id, checkWorkId, () => "right");
    expect((await groupView(teacher, groupId)).round?.worked).not.toBe("worked");
  });
});

describe("another round", () => {
  it("is for those whom it did not help, in another way, and the first one stays to be read", async () => {
    const teacher = await school.teacher();
    const groupId = await aGroup(studentIds.slice(0, 3));
    const before = await groupView(teacher, groupId);
    await aRound(groupId, { approach: before.next.approach.approach, compare: false });
    const { checkWorkId = "" } = (await groupView(teacher, groupId)).round ?? {};
    const [well = "", ...badly] = studentIds.slice(0, 3);
    await workToEnd(school, well, checkWorkId, () => "right");
    for (const id of badly) await workToEnd(school, id, checkWorkId, () => "wrong");
    const { next, tried } = await groupView(teacher, groupId);
    expect(next.students.map(({ id }) => id).sort()).toEqual([...badly].sort());
    expect(next.approach).toMatchObject({ because: "not-tried", triedInVain: 0 });
    expect(next.approach.approach).not.toBe(before.next.approach.approach);
    expect(tried.find(({ id }) => id === badly[0])?.tries).toMatchObject([
      { approach: before.next.approach.approach, by: "Ana Tester", verdict: "round-again" },
    ]);
    const [oneAgain = ""] = badly;
    await aRound(groupId, { approach: "underneath", studentIds: [oneAgain], compare: false, minutes: 25 });
    const second = await groupView(teacher, groupId);
    expect(second.round).toMatchObject({ approach: "underneath", lowerName: expect.any(String), minutes: 25 });
    expect(second.members.filter(({ taught }) => taught).map(({ id }) => id)).toEqual([oneAgain]);
    expect(second.earlier).toMatchObject([{ approach: before.next.approach.approach, again: 2 }]);
    // What is practised begins one step down.
    const practice = await open(school, oneAgain, second.round?.practiceWorkId ?? "");
    const library = await libraryOf(school.runtime);
    expect(library.skill(SKILL).prerequisites).toContain(practice.current?.skillId);
    expect((await groupList(teacher, [classId]))[0]).toMatchObject({ stage: "check" });
  });

  it("refuses whoever is not in the group any more, and lessons of no length", async () => {
    const groupId = await aGroup();
    await expect(aRound(groupId, { studentIds: [studentIds[9]] })).rejects.toMatchObject({ code: "conflict" });
    await expect(aRound(groupId, { minutes: 12 })).rejects.toMatchObject({ code: "invalid" });
    await expect(aRound(groupId, { approach: "singing" })).rejects.toMatchObject({ code: "invalid" });
    const teacher = await school.teacher();
    await moveMembers(teacher, { studentIds: studentIds.slice(0, 4), fromGroupId: groupId, toGroupId: null });
    await expect(aRound(groupId)).rejects.toMatchObject({ code: "conflict" });
  });
});

describe("the lesson", () => {
  it("holds the group's own answers and items on the same mistakes, by each approach", async () => {
    const teacher = await school.teacher();
    const groupId = await aGroup();
    const { next } = await groupView(teacher, groupId);
    for (const { approach } of next.approaches) {
      const lesson = await lessonFor(teacher, groupId, approach);
      expect(lesson.wrongAnswers.length).toBeGreaterThan(0);
      for (const { mistakes } of lesson.items) expect(mistakes.length).toBeGreaterThan(0);
      if (approach === "underneath") expect(lesson.lower?.name).toBe(next.lowerName);
      else expect(lesson.lower).toBeNull();
    }
    const asked = await planOfGroup(teacher, groupId, { how: "nonsense", minutes: "25" });
    expect(asked).toMatchObject({ slot: 25, lesson: { approach: next.approach.approach } });
  });

  it("keeps what a teacher changed for next time, shares it where they say so, and is not written over unseen", async () => {
    const ana = await school.teacher();
    const groupId = await aGroup();
    const change = { skillId: SKILL, approach: "things", parts: { show: " Two bowls. ", ask: "" }, shared: false };
    const { changeId } = await keepOwnReteach(ana, { ...change, seenAt: null });
    const mine = async () => (await lessonFor(await school.teacher(), groupId, "things")).own;
    expect(await mine()).toMatchObject({ parts: { show: "Two bowls." }, shared: false });
    await expect(keepOwnReteach(ana, { ...change, seenAt: null })).rejects.toMatchObject({ code: "conflict" });
    const other = await makeClass(school, 2, "6 Ben", "ben");
    const theirs = await aGroup(other.studentIds, "ben", [other.classId]);
    const ben = await school.teacher("ben");
    const seen = async () => (await lessonFor(ben, theirs, "things")).colleagues;
    expect(await seen()).toEqual([]);
    school.setNow(START + 60_000);
    await keepOwnReteach(ana, { ...change, shared: true, seenAt: (await mine()).changedAt });
    expect(await seen()).toMatchObject([{ by: "Ana Tester", parts: { show: "Two bowls." } }]);
    expect((await lessonFor(ben, theirs, "things")).own.parts).toEqual({});
    await expect(
      keepOwnReteach(ana, { ...change, parts: { show: "x".repeat(2001) }, seenAt: null }),
    ).rejects.toMatchObject({ code: "invalid" });
    expect(changeId).not.toBeNull();
  });
});

describe("what a class keeps", () => {
  it("of times, sizes and pairs comes back, is undone, and refuses what cannot be", async () => {
    const teacher = await school.teacher();
    const [one = "", other = ""] = studentIds;
    const limits = () => limitsOf(teacher, [classId], {});
    expect(await limits()).toMatchObject(USUAL_HABITS);
    await keepHabits(teacher, { classIds: [classId], times: [{ slot: "1-1", minutes: 20 }], smallest: 2 });
    const { changeId } = await keepHabits(teacher, { classIds: [classId], apart: [[one, other]] });
    expect(await limits()).toMatchObject({
      times: [{ slot: "1-1", minutes: 20 }],
      smallest: 2,
      largest: 6,
      apart: [[one, other]],
    });
    await undoChange(teacher, changeId);
    expect((await limits()).apart).toEqual([]);
    for (const bad of [
      { times: [] },
      { times: [{ slot: "6-1", minutes: 20 }] },
      { times: [0, 1].map(() => ({ slot: "1-1", minutes: 20 })) },
      { largest: 1 },
      { apart: [[one, one]] },
      { together: [[one]] },
    ])
      await expect(keepHabits(teacher, { classIds: [classId], ...bad })).rejects.toMatchObject({ code: "invalid" });
  });

  it("gives groups the times at which few have to be elsewhere", async () => {
    const teacher = await school.teacher();
    await makeGroups(teacher, {
      classIds: [classId],
      groups: [
        {
          id: school.runtime.newId(),
          name: "Choir",
          skillId: null,
          studentIds: studentIds.slice(0, 2),
          slots: ["2-2"],
        },
      ],
    });
    const view = await suggestions(teacher, [classId], await limitsOf(teacher, [classId], { focus: `skill:${SKILL}` }));
    expect(view.students.find(({ id }) => id === studentIds[0])?.meets).toEqual([{ slot: "2-2", group: "Choir" }]);
  });
});

describe("in the first week", () => {
  it("groups come from where a diagnostic placed students, and nobody is grouped by the grade alone", async () => {
    const fresh = await makeClass(school, 6, "6 New");
    const teacher = await school.teacher();
    const strandId = (await libraryOf(school.runtime)).skill(SKILL).strandId;
    const search = { focus: `skill:${SKILL}` };
    const view = () =>
      limitsOf(teacher, [fresh.classId], search).then((limits) => suggestions(teacher, [fresh.classId], limits));
    expect((await view()).groups).toEqual([]);
    const placing = await givePractice(school, fresh.classId, fresh.studentIds, {
      kind: "diagnostic",
      title: "Where to begin",
      skillIds: [SKILL],
      items: 20,
      settings: { scope: { strandIds: [strandId], above: 1, below: 4 } },
    });
    for (const id of fresh.studentIds.slice(0, 4))
      await workToEnd(school, id, placing, (n) => (n % 3 === 0 ? "right" : "wrong"));
    const placed = await view();
    const column = placed.skills.findIndex(({ id }) => id === SKILL);
    const basis = placed.students.map((_, row) => placed.cells[row]?.[column]?.basis);
    expect(basis.filter((one) => one === "grade").length).toBe(2);
    for (const { studentIds: ids } of placed.groups)
      for (const id of ids) expect(fresh.studentIds.slice(0, 4)).toContain(id);
  });
});

describe("a few minutes with one student", () => {
  it("are proposed with a task, noted once, and not proposed again that day", async () => {
    const teacher = await school.teacher();
    const view = await worthView(teacher, [classId], { minutes: "3" });
    expect(view.students.length).toBe(10);
    const [first] = view.students;
    const [choice] = first?.choices ?? [];
    expect(choice).toMatchObject({ why: { minutes: 3, answers: 3 }, task: { task: expect.any(String) } });
    const visit = {
      id: school.runtime.newId(),
      studentId: first?.id,
      skillId: choice?.skillId,
      minutes: 3,
      result: "nearly",
    };
    const { changeId } = await noteVisit(teacher, visit);
    expect((await noteVisit(teacher, visit)).changeId).toBeNull();
    const after = (await worthView(teacher, [classId], { students: first?.id ?? "" })).students;
    expect(after).toHaveLength(1);
    expect(after[0]?.today).toMatchObject([{ result: "nearly", by: "Ana Tester" }]);
    expect(after[0]?.choices.map(({ skillId }) => skillId)).not.toContain(choice?.skillId);
    await undoChange(teacher, changeId ?? "");
    expect(
      (await worthView(await school.teacher(), [classId], {})).students.find(({ id }) => id === first?.id)?.today,
    ).toEqual([]);
    await expect(
      noteVisit(await school.teacher("ben"), { ...visit, id: school.runtime.newId() }),
    ).rejects.toMatchObject({
      code: "not-allowed",
    });
    await expect(noteVisit(teacher, { ...visit, id: school.runtime.newId(), result: "sang" })).rejects.toMatchObject({
      code: "invalid",
    });
  });
});

describe("a group over several classes", () => {
  it("is seen by those who teach it and, of their own students, by their teachers; by nobody else, and only while it lasts", async () => {
    const bens = await makeClass(school, 2, "6 Ben", "ben");
    await makeClass(school, 2, "6 Dan", "ben");
    const groupId = await aGroup([studentIds[0] ?? "", bens.studentIds[0] ?? ""], "cora", [classId, bens.classId]);
    const cora = await school.teacher("cora");
    await shareGroup(cora, { groupId, personId: "sam", untilDay: "2026-12-04" });
    await aRound(groupId, { compare: false }, "sam");
    const sam = await school.teacher("sam");
    const group = await groupView(sam, groupId);
    expect(group.members.map(({ id }) => id).sort()).toEqual([studentIds[0], bens.studentIds[0]].sort());
    const { practiceWorkId = "" } = group.round ?? {};
    const rows = async (key: string) =>
      (await workView(await school.teacher(key), practiceWorkId)).rows.map(({ studentId }) => studentId).sort();
    const both = [studentIds[0] ?? "", bens.studentIds[0] ?? ""].sort();
    expect(await rows("sam")).toEqual(both);
    // The teacher of the class at which the group is at home has all of it, the other one their own student.
    const [home, other, own] =
      group.classId === classId ? ["ana", "ben", bens.studentIds[0]] : ["ben", "ana", studentIds[0]];
    expect(await rows(home)).toEqual(both);
    expect(await rows(other)).toEqual([own]);
    expect(
      (await pieceData(await school.teacher(other), practiceWorkId)).targets.map(({ personId }) => personId),
    ).toEqual([own]);
    const listed = async (key: string, ids: string[]) =>
      (await workList(await school.teacher(key), ids)).some(({ id }) => id === practiceWorkId);
    expect(await listed("ben", [bens.classId])).toBe(true);
    expect(await listed("ana", [classId])).toBe(true);
    // Whoever only sees it changes nothing of it; whoever teaches the group does.
    const dueDay = { assignmentId: practiceWorkId, dueDay: "2026-11-26" };
    await expect(moveDueDay(await school.teacher(other), dueDay)).rejects.toMatchObject({ code: "not-allowed" });
    await moveDueDay(sam, dueDay);
    await school.db.write((tx) =>
      tx.insert(people).values({
        id: "dan",
        schoolId: school.schoolId,
        kind: "staff",
        givenName: "Dan",
        familyName: "Tester",
        email: "dan@school.example",
      }),
    );
    const dan = await makeClass(school, 2, "6 Third", "dan");
    const third = await school.teacher("dan");
    await expect(groupView(third, groupId)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(workView(third, practiceWorkId)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(pieceData(third, practiceWorkId)).rejects.toMatchObject({ code: "not-allowed" });
    expect(await listed("dan", [dan.classId])).toBe(false);
    school.setNow(Date.parse("2026-12-07T08:30:00Z"));
    const later = await school.teacher("sam");
    await expect(groupView(later, groupId)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(workView(later, practiceWorkId)).rejects.toMatchObject({ code: "not-allowed" });
  });
});
