import { eq } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { schools } from "@/db/schema/people";
import { groupMembers, groups } from "@/db/schema/regroup";
import { cellView, masteryMap, studentSheet } from "@/features/evidence/reads/evidence";
import { planView } from "@/features/plan/reads/planView";
import { becauseOf } from "@/features/regroup/draftWorth";
import { limitsFrom, lockedFrom, lockedWritten, USUAL_HABITS } from "@/features/regroup/limits";
import { groupList } from "@/features/regroup/reads/groupList";
import { groupView } from "@/features/regroup/reads/groupView";
import { lessonFor } from "@/features/regroup/reads/lesson";
import { bestGroups, suggestions } from "@/features/regroup/reads/suggest/suggestions";
import { assignReteach } from "@/features/regroup/writes/assignReteach";
import { archiveGroup } from "@/features/regroup/writes/groups";
import { makeGroups } from "@/features/regroup/writes/makeGroups";
import { archiveStudent } from "@/features/roster/writes/students";
import { workList } from "@/features/work/reads/works";
import { workView } from "@/features/work/reads/workView";
import { moveDueDay, withdrawWork } from "@/features/work/writes/changeWork";
import { giveWork } from "@/features/work/writes/giveWork";
import { undoChange } from "@/server/history/undoChange";
import { onePart } from "~/demo/onePart";
import { give, givePractice, makeClass, open, START, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let studentIds: string[];

/** Five students in trouble with ratio language, five who have it. */
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 10));
  const workId = await givePractice(school, classId, studentIds, {
    skillIds: ["times-as-many", "ratio-language"],
    items: 12,
  });
  for (const [order, id] of studentIds.entries()) {
    let view = await open(school, id, workId);
    while (view.finished === null)
      view = (await give(school, id, view, order < 5 && view.current?.skillId === "ratio-language" ? "wrong" : "right"))
        .sitting;
  }
});
afterEach(() => school.close());

const reteachOf = (groupId: string) => ({
  groupId,
  reteachId: school.runtime.newId(),
  practiceDueDay: "2026-11-25",
  checkOpensDay: "2026-11-23",
  checkDueDay: "2026-11-27",
  checkItems: 4,
});
const weak = () => studentIds.slice(0, 5).sort();
const skill = "ratio-language";

describe("the mastery map", () => {
  it("shows who has what, and the misconceptions by students", async () => {
    const view = await masteryMap(await school.teacher(), [classId]);
    const column = view.skills.findIndex(({ id }) => id === skill);
    const low = view.students.filter(({ gauges }) => (gauges[column]?.chance ?? 1) < 0.4).map(({ id }) => id);
    expect(low.sort()).toEqual(weak());
    const shown = view.misconceptions.filter(({ skillId }) => skillId === skill);
    expect(shown.length).toBeGreaterThan(0);
    for (const { students } of shown) for (const { id } of students) expect(weak()).toContain(id);
  });

  it("opens the answers behind a cell, and the student's sheet", async () => {
    const teacher = await school.teacher();
    const cell = await cellView(teacher, weak()[0] as string, skill);
    expect(cell.answers.length).toBeGreaterThan(2);
    expect(cell.answers[0]).toMatchObject({
      right: false,
      stem: expect.any(String),
      given: expect.any(String),
      answer: expect.any(String),
    });
    const sheet = await studentSheet(teacher, weak()[0] as string);
    expect(sheet.gauges).toHaveLength(12);
    expect(sheet.works[0]).toMatchObject({ title: "Practice" });
  });

  it("is closed to strangers and students", async () => {
    const stranger = await school.teacher("ben");
    await expect(masteryMap(stranger, [classId])).rejects.toMatchObject({ code: "not-allowed" });
    await expect(cellView(stranger, weak()[0] as string, skill)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(studentSheet(stranger, weak()[0] as string)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(studentSheet(school.student(weak()[0] as string), weak()[1] as string)).rejects.toMatchObject({
      code: "not-allowed",
    });
    await expect(studentSheet(await school.teacher(), "nobody")).rejects.toMatchObject({ code: "not-allowed" });
    await expect(planView(stranger, classId)).rejects.toMatchObject({ code: "not-allowed" });
  });
});

describe("regrouping", () => {
  const habits = { ...USUAL_HABITS, smallest: 3, largest: 5 };
  const limits = limitsFrom({ focus: "all" }, habits);

  it("suggests those who share the gap, with the reason in numbers, at once and proven best", async () => {
    const teacher = await school.teacher();
    const view = await suggestions(teacher, [classId], limits);
    const { groups, quality } = await bestGroups(teacher, [classId], limits, []);
    for (const found of [view.groups, groups]) {
      const group = found.find(({ skillId }) => skillId === skill);
      expect([...(group?.studentIds ?? [])].sort()).toEqual(weak());
      expect(group && becauseOf(view, group)).toMatch(/^Because .*chance of mastery is \d+( to \d+)? %/);
    }
    expect(quality).toBe("optimal");
  });

  it("keeps apart whom the teacher wants apart, leaves out who is away, and keeps who is fixed", async () => {
    const [one = "", other = "", third = ""] = weak();
    const strong = studentIds.find((id) => !weak().includes(id)) ?? "";
    const wishes = limitsFrom(
      { focus: "all", away: third, fixed: `${strong}~${skill}` },
      { ...habits, smallest: 2, apart: [[one, other]] },
    );
    const { groups } = await bestGroups(await school.teacher(), [classId], wishes, []);
    expect(groups.find(({ skillId }) => skillId === skill)?.studentIds).toContain(strong);
    for (const group of groups) {
      expect(group.studentIds.filter((id) => id === one || id === other).length).toBeLessThan(2);
      expect(group.studentIds).not.toContain(third);
    }
  });

  it("makes the others anew around groups that stay", async () => {
    const [one = "", ...others] = weak();
    const kept = { skillId: "times-as-many", studentIds: [one] };
    const { groups } = await bestGroups(await school.teacher(), [classId], limits, [kept]);
    // Nobody needs the kept skill, so it is no choice of the page any more unless it is asked for.
    expect(groups.find(({ skillId }) => skillId === skill)?.studentIds.length).toBe(5);
    const lockedOne = await bestGroups(await school.teacher(), [classId], limits, [
      { skillId: skill, studentIds: others },
    ]);
    expect(lockedOne.groups.find(({ skillId }) => skillId === skill)?.studentIds).toEqual(
      expect.arrayContaining(others),
    );
    expect(lockedOne.groups.flatMap((group) => group.studentIds)).not.toContain(one);
  });

  it("names whose wishes contradict each other", async () => {
    const [one = "", other = ""] = weak();
    const view = await suggestions(
      await school.teacher(),
      [classId],
      limitsFrom({}, { ...habits, apart: [[one, other]], together: [[other, one]] }),
    );
    expect(view.contradiction).toMatchObject({ wish: "together-and-apart" });
    const nameOf = (id: string) => view.students.find((student) => student.id === id)?.name;
    expect([...(view.contradiction?.names ?? [])].sort()).toEqual([nameOf(one), nameOf(other)].sort());
    expect(view.groups).toEqual([]);
  });

  it("mixes on purpose, and joins who can explain with who needs it", async () => {
    const teacher = await school.teacher();
    const mixed = await suggestions(teacher, [classId], limitsFrom({ for: "mixed" }, habits));
    expect(mixed.groups.map((group) => group.studentIds.filter((id) => weak().includes(id)).length).sort()).toEqual([
      2, 3,
    ]);
    const explaining = await suggestions(
      teacher,
      [classId],
      limitsFrom({ for: "explain", focus: `skill:${skill}` }, habits),
    );
    expect(explaining.groups.length).toBeGreaterThan(0);
    for (const group of explaining.groups) {
      expect(weak()).not.toContain(group.explainerIds[0]);
      expect(group.studentIds).toContain(group.explainerIds[0]);
      const taught = group.studentIds.filter((id) => !group.explainerIds.includes(id));
      expect(weak()).toEqual(expect.arrayContaining(taught));
    }
    const [first] = explaining.groups;
    const made = { id: school.runtime.newId(), name: "Explaining", skillId: skill, because: "Because we said so." };
    await makeGroups(teacher, {
      classIds: [classId],
      groups: [
        {
          ...made,
          studentIds: first?.studentIds,
          explainerIds: first?.explainerIds,
        },
      ],
    });
    await assignReteach(teacher, reteachOf(made.id));
    const view = await groupView(teacher, made.id);
    expect(view.because).toBe("Because we said so.");
    const explainer = view.members.find(({ id }) => id === first?.explainerIds[0]);
    expect(explainer).toMatchObject({ explains: true, taught: false });
    expect(
      view.members
        .filter(({ taught }) => taught)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(first?.studentIds.filter((id) => !first.explainerIds.includes(id)).sort());
  });

  it("goes from the group over the reteach to before and after, and back by undo", async () => {
    const teacher = await school.teacher();
    const groupId = school.runtime.newId();
    const group = { id: groupId, name: "Order of words", skillId: skill, studentIds: weak() };
    const { changeId } = await makeGroups(teacher, { classIds: [classId], groups: [group] });
    expect((await makeGroups(teacher, { classIds: [classId], groups: [group] })).changeId).toBeNull();
    expect((await groupList(teacher, [classId]))[0]).toMatchObject({ stage: "plan" });
    const reteach = {
      groupId,
      reteachId: school.runtime.newId(),
      practiceDueDay: "2026-11-25",
      checkOpensDay: "2026-11-23",
      checkDueDay: "2026-11-27",
      checkItems: 4,
    };
    const { changeId: given } = await assignReteach(teacher, reteach);
    expect((await assignReteach(teacher, reteach)).changeId).toBeNull();
    const before = await groupView(teacher, groupId);
    expect((await lessonFor(teacher, groupId, "things")).wrongAnswers.length).toBeGreaterThan(0);
    expect(before.outcome).toMatchObject({ open: 5, learned: 0 });
    const { practiceWorkId = "", checkWorkId = "" } = before.round ?? {};
    const [learner, other] = weak() as [string, string];
    let view = await open(school, learner, practiceWorkId);
    while (view.finished === null) view = (await give(school, learner, view, "right")).sitting;
    for (const [id, how] of [
      [learner, "right"],
      [other, "wrong"],
    ] as const) {
      let check = await open(school, id, checkWorkId);
      expect(check.current?.hintsGiven).toEqual([]);
      for (let n = 0; n < 4; n++) {
        const reply = await give(school, id, check, how);
        expect(reply.outcome).toEqual({ status: "taken", presentationId: check.current?.presentationId });
        check = reply.sitting;
      }
      expect(check).toMatchObject({ finished: "amount", itemsRight: 0 });
    }
    const after = await groupView(teacher, groupId);
    const of = (id: string) => after.members.find((member) => member.id === id);
    expect(of(learner)).toMatchObject({ verdict: "learned", check: { right: 4, of: 4 }, practice: "finished" });
    expect(of(learner)?.chance).toBeGreaterThan((of(learner)?.chanceBefore ?? 1) + 0.4);
    expect(of(other)).toMatchObject({ verdict: "round-again", check: { right: 0, of: 4 } });
    expect(after.outcome).toMatchObject({ learned: 1, again: 1, open: 3 });
    await expect(undoChange(teacher, given ?? "")).rejects.toMatchObject({ code: "conflict" });
    await expect(undoChange(teacher, changeId ?? "")).rejects.toMatchObject({ code: "conflict" });
    const { changeId: archived } = await archiveGroup(teacher, { groupId });
    expect(await groupList(teacher, [classId])).toEqual([]);
    await undoChange(teacher, archived);
    expect(await groupList(teacher, [classId])).toHaveLength(1);
  });

  it("judges once: the outcome neither fades nor goes with a student who leaves", async () => {
    const teacher = await school.teacher();
    const groupId = school.runtime.newId();
    const [learner, leaver, third] = weak() as [string, string, string];
    await makeGroups(teacher, {
      classIds: [classId],
      groups: [{ id: groupId, name: "Order", skillId: skill, studentIds: [learner, leaver, third] }],
    });
    await assignReteach(teacher, { ...reteachOf(groupId), checkItems: 3 });
    const { round: reteach } = await groupView(teacher, groupId);
    for (const id of [learner, leaver]) {
      for (const workId of [reteach?.practiceWorkId ?? "", reteach?.checkWorkId ?? ""]) {
        let view = await open(school, id, workId);
        while (view.finished === null) view = (await give(school, id, view, "right")).sitting;
      }
    }
    const before = await groupView(teacher, groupId);
    expect(before.outcome).toMatchObject({ learned: 2, open: 1, students: 3 });
    // A school year later; one of them has left the school, and so has the third, who never took the check.
    school.setNow(START + 300 * 86_400_000);
    for (const id of [leaver, third]) {
      await archiveStudent(await school.teacher("cora"), { studentId: id });
      const [membership] = await school.db.read.select().from(groupMembers).where(eq(groupMembers.personId, id));
      if (membership)
        await school.db.write((tx) =>
          tx.update(groupMembers).set({ untilDay: "2026-12-01" }).where(eq(groupMembers.id, membership.id)),
        );
    }
    const after = await groupView(await school.teacher(), groupId);
    const outcomes = (view: typeof after) =>
      view.members
        .map(({ id, verdict, chanceBefore, chanceAfter, check, left }) => ({
          id,
          verdict,
          chanceBefore,
          chanceAfter,
          check,
          left,
        }))
        .sort((x, y) => x.id.localeCompare(y.id));
    expect(outcomes(after).filter(({ id }) => id !== third)).toEqual(
      outcomes(before)
        .filter(({ id }) => id !== third)
        .map((one) => ({ ...one, left: one.id === leaver })),
    );
    expect(after.members.find(({ id }) => id === learner)?.chance).toBeLessThan(
      (before.members.find(({ id }) => id === learner)?.chanceAfter ?? 0) - 0.05,
    );
    expect((await groupList(await school.teacher(), [classId]))[0]).toMatchObject({ stage: "result" });
  });

  it("keeps the skill of a reteach when the group turns to another", async () => {
    const teacher = await school.teacher();
    const groupId = school.runtime.newId();
    await makeGroups(teacher, {
      classIds: [classId],
      groups: [{ id: groupId, name: "G", skillId: skill, studentIds: weak() }],
    });
    await assignReteach(teacher, reteachOf(groupId));
    await school.db.write((tx) => tx.update(groups).set({ skillId: "unit-rates" }).where(eq(groups.id, groupId)));
    expect(await groupView(teacher, groupId)).toMatchObject({ skillId: "unit-rates", round: null, outcome: null });
    expect((await groupList(teacher, [classId]))[0]).toMatchObject({ stage: "plan" });
    await school.db.write((tx) => tx.update(groups).set({ skillId: skill }).where(eq(groups.id, groupId)));
    expect((await groupView(teacher, groupId)).outcome).toMatchObject({ open: 5, students: 5 });
  });

  it("says when a check opens by the school's clock, and refuses days that do not exist or lie far ahead", async () => {
    const teacher = await school.teacher();
    const groupId = school.runtime.newId();
    await makeGroups(teacher, {
      classIds: [classId],
      groups: [{ id: groupId, name: "G", skillId: skill, studentIds: [weak()[0]] }],
    });
    for (const over of [
      { practiceDueDay: "2026-02-30" },
      { checkOpensDay: "tomorrow" },
      { checkDueDay: "" },
      { checkDueDay: "9999-12-31" },
      { practiceDueDay: "2026-11-20" },
    ])
      await expect(assignReteach(teacher, { ...reteachOf(groupId), ...over })).rejects.toMatchObject({
        code: "invalid",
      });
    // At a school half the world away six in the morning is still the day before here.
    await school.db.write((tx) =>
      tx.update(schools).set({ timeZone: "Pacific/Auckland" }).where(eq(schools.id, school.schoolId)),
    );
    await assignReteach(teacher, { ...reteachOf(groupId), checkOpensDay: "2026-11-26" });
    const { practiceWorkId = "" } = (await groupView(teacher, groupId)).round ?? {};
    let view = await open(school, weak()[0] as string, practiceWorkId);
    while (view.finished === null) view = (await give(school, weak()[0] as string, view, "right")).sitting;
    expect((await groupList(teacher, [classId]))[0]).toMatchObject({
      stage: "waiting",
      stageText: expect.stringContaining("Thu 26 Nov"),
    });
  });

  it("holds students of several of the teacher's classes through to the reteach", async () => {
    const other = await makeClass(school, 2, "6 Other");
    const teacher = await school.teacher();
    const groupId = school.runtime.newId();
    const studentIds = [weak()[0] as string, other.studentIds[0] as string];
    await makeGroups(teacher, {
      classIds: [classId, other.classId],
      groups: [{ id: groupId, name: "Both", skillId: skill, studentIds }],
    });
    await assignReteach(teacher, {
      groupId,
      reteachId: school.runtime.newId(),
      practiceDueDay: "2026-11-25",
      checkOpensDay: "2026-11-23",
      checkDueDay: "2026-11-27",
      checkItems: 4,
    });
    const view = await groupView(teacher, groupId);
    expect(view.members.map(({ id }) => id).sort()).toEqual([...studentIds].sort());
    expect((await open(school, studentIds[1] as string, view.round?.practiceWorkId ?? "")).current).not.toBeNull();
  });

  it("takes nobody from other classes and asks for a name", async () => {
    const teacher = await school.teacher();
    const id = school.runtime.newId();
    await expect(
      makeGroups(teacher, { classIds: [classId], groups: [{ id, name: " ", skillId: skill, studentIds: weak() }] }),
    ).rejects.toMatchObject({ code: "invalid" });
    await expect(
      makeGroups(teacher, { classIds: [classId], groups: [{ id, name: "X", skillId: skill, studentIds: ["nobody"] }] }),
    ).rejects.toMatchObject({ code: "invalid" });
    await expect(
      makeGroups(await school.teacher("ben"), {
        classIds: [classId],
        groups: [{ id, name: "X", skillId: skill, studentIds: weak() }],
      }),
    ).rejects.toMatchObject({ code: "not-allowed" });
  });

  it("falls back to usual limits for nonsense in the address", () => {
    expect(limitsFrom({ for: "evil", focus: "strand:", away: ",,", fixed: "a,~b,c~d" })).toEqual({
      ...USUAL_HABITS,
      purpose: "need",
      focus: { on: "near" },
      absent: [],
      fixed: [{ studentId: "c", skillId: "d" }],
    });
    expect(lockedFrom(`${lockedWritten([{ skillId: "k", studentIds: ["a", "b"] }])},x`)).toEqual([
      { skillId: "k", studentIds: ["a", "b"] },
    ]);
  });
});

describe("work", () => {
  const input = {
    title: "T",
    instructions: "",
    skillIds: [skill],
    opensDay: "2026-11-23",
    dueDay: "2026-11-25",
    items: 8,
  };

  it("is assigned once however often it is sent, and undone", async () => {
    const teacher = await school.teacher();
    const assignmentId = school.runtime.newId();
    const work = onePart(school.runtime.newId, { ...input, assignmentId, classId, studentIds });
    const { changeId } = await giveWork(teacher, work);
    expect(await giveWork(teacher, work)).toEqual({ assignmentIds: [assignmentId], changeId: null });
    expect(await workList(teacher, [classId])).toHaveLength(2);
    await undoChange(teacher, changeId ?? "");
    expect(await workList(teacher, [classId])).toHaveLength(1);
    await expect(undoChange(teacher, changeId ?? "")).rejects.toMatchObject({
      code: "conflict",
      message: expect.stringContaining("already"),
    });
  });

  it("shows everybody's state, moves its day, is withdrawn and brought back", async () => {
    const teacher = await school.teacher();
    const [entry] = await workList(teacher, [classId]);
    const workId = entry?.id ?? "";
    expect(entry).toMatchObject({ given: 10, finished: 10, notStarted: 0 });
    expect((await workView(teacher, workId)).rows).toHaveLength(10);
    const moved = await moveDueDay(teacher, { assignmentId: workId, dueDay: "2026-12-04" });
    expect((await workView(teacher, workId)).dueDay).toBe("2026-12-04");
    const { changeId } = await withdrawWork(teacher, { assignmentId: workId });
    await expect(workView(teacher, workId)).rejects.toMatchObject({ code: "not-found" });
    await expect(open(school, weak()[0] as string, workId)).rejects.toMatchObject({ code: "not-found" });
    await undoChange(teacher, changeId);
    await undoChange(teacher, moved.changeId);
    expect((await workView(teacher, workId)).dueDay).toBe("2026-11-27");
  });

  it("refuses what can't be given, and gives nothing then", async () => {
    const wrong: readonly (readonly [object, string])[] = [
      [{ title: "" }, "invalid"],
      [{ skillIds: [] }, "invalid"],
      [{ skillIds: ["unknown"] }, "not-found"],
      [{ studentIds: [] }, "invalid"],
      [{ studentIds: ["nobody"] }, "invalid"],
      [{ dueDay: "2026-11-20" }, "invalid"],
      [{ dueDay: "2026-02-30" }, "invalid"],
      [{ items: 0 }, "invalid"],
      [{ classId: "other" }, "not-allowed"],
    ];
    const given = async () => (await school.db.read.query.assignments.findMany()).length;
    const before = await given();
    for (const [over, code] of wrong) {
      const assignmentId = school.runtime.newId();
      const work = onePart(school.runtime.newId, { ...input, assignmentId, classId, studentIds, ...over });
      const asked = giveWork(await school.teacher(), work);
      await expect(asked, JSON.stringify(over)).rejects.toMatchObject({ code });
    }
    expect(await given()).toBe(before);
  });
});
