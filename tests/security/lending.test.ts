import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { changed, rowsOfTable } from "@/db/queries/rowChanges";
import { insertClassStaff } from "@/db/queries/school";
import { studentSheet } from "@/features/evidence/reads/evidence";
import { groupBoard } from "@/features/regroup/reads/groupBoard";
import { changeGroup, endGroupShare, makeGroup, moveMembers, shareGroup } from "@/features/regroup/writes/groups";
import { makeGroups } from "@/features/regroup/writes/makeGroups";
import { rosterView } from "@/features/roster/reads/rosterView";
import {
  archiveClass,
  endShare,
  makeClass as makeOwnClass,
  placeStudents,
  shareClass,
} from "@/features/roster/writes/classes";
import { applyImport, beginImport } from "@/features/roster/writes/importRoster";
import { may, RIGHTS } from "@/server/access/policy";
import { studentSubject } from "@/server/access/studentSubject";
import { recordChange } from "@/server/history/recordChange";
import { csv, fingerprintOf, makeClass, START, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let studentIds: string[];
let studentId: string;
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
  studentId = studentIds[0] ?? "";
});
afterEach(() => school.close());

const DAY = 86_400_000;
const LAST_DAY = "2026-11-24";
const days = { fromDay: "2026-11-23", slots: [] };

/** Every kind of tie that is given by somebody else, with how it is given and how it ends early. */
const TIES = {
  substitute: { give: () => join("substitute"), end: () => endOnClass() },
  specialist: { give: () => join("specialist"), end: () => endOnClass() },
  "co-teacher": { give: () => join("co-teacher"), end: () => endOnClass() },
  "group colleague": { give: () => shareOneGroup(), end: () => endOnGroup() },
} as const;
type TieName = keyof typeof TIES;
const NAMES = Object.keys(TIES) as TieName[];

async function join(role: "substitute" | "specialist" | "co-teacher"): Promise<void> {
  await shareClass(await school.teacher(), { classId, personId: "ben", role, untilDay: LAST_DAY });
}
async function endOnClass(): Promise<void> {
  const rows = await school.db.read.query.classStaff.findMany();
  const row = rows.find(({ personId, untilDay }) => personId === "ben" && untilDay === LAST_DAY);
  await endShare(await school.teacher(), { classId, staffRowId: row?.id });
}
const sharedGroup = "00000000-0000-7000-8000-00000000aaaa";
async function shareOneGroup(): Promise<void> {
  await makeGroup(await school.teacher(), { id: sharedGroup, name: "Ana's", ...days, studentIds });
  await shareGroup(await school.teacher(), { groupId: sharedGroup, personId: "ben", untilDay: LAST_DAY });
}
async function endOnGroup(): Promise<void> {
  const [share] = await school.db.read.query.groupShares.findMany();
  await endGroupShare(await school.teacher(), { groupId: sharedGroup, shareId: share?.id });
}

/** Every way in which somebody puts students whom they see into something of their own. */
const WAYS = {
  "a group": async () => {
    const id = school.runtime.newId();
    await makeGroup(await school.teacher("ben"), { id, name: "Ben's", ...days, studentIds });
    return id;
  },
  "a reteach group": async () => {
    const id = school.runtime.newId();
    const group = { id, name: "Ben's", skillId: "equivalent-ratios", studentIds };
    await makeGroups(await school.teacher("ben"), { classIds: [classId], groups: [group] });
    return id;
  },
  "a group they have, filled": async () => {
    const id = school.runtime.newId();
    await makeClass(school, 1, "5 Ben", "ben", 5);
    await makeGroup(await school.teacher("ben"), { id, name: "Ben's", ...days, studentIds: [] });
    await moveMembers(await school.teacher("ben"), { studentIds, toGroupId: id, fromGroupId: null });
    return id;
  },
  "a class": async () => {
    const input = { classId: school.runtime.newId(), name: "Ben's", subject: "Mathematics", grade: 6, studentIds };
    return (await makeOwnClass(await school.teacher("ben"), input)).classId;
  },
  "a class they have, filled": async () => {
    const own = await makeClass(school, 1, "5 Ben", "ben", 5);
    await placeStudents(await school.teacher("ben"), { studentIds, toClassId: own.classId, fromClassId: null });
    return own.classId;
  },
  "a class from a file": async () => {
    const rows = studentIds.map((_, n) => `6 Test-${n},Student0${n},Of6Test,6`);
    const ben = await school.teacher("ben");
    const draftId = await beginImport(ben, {
      newClassName: "From a file",
      newClassGrade: 6,
      fileName: "x.csv",
      bytes: csv(`id,first,last,grade\n${rows.join("\n")}`),
    });
    const done = await applyImport(ben, { draftId, fingerprint: await fingerprintOf(ben, draftId) });
    return done.classId ?? "";
  },
} as const;
type WayName = keyof typeof WAYS;

/** Who may do what: groups by all but where the class is not theirs to plan, classes by co-teachers alone. */
const ALLOWED: Readonly<Record<TieName, readonly WayName[]>> = {
  substitute: ["a group", "a reteach group", "a group they have, filled"],
  specialist: ["a group", "a group they have, filled"],
  "co-teacher": Object.keys(WAYS) as WayName[],
  "group colleague": ["a group", "a group they have, filled"],
};

const rightsOn = async (who: string, id: string) => {
  const { actor } = await school.teacher(who);
  const { subject } = await studentSubject(school.runtime, id);
  return Object.keys(RIGHTS.student).filter((verb) => may(actor, verb as never, subject));
};
/** What the member of staff sees of the students: on their board of groups, and in their classes. */
const seen = async (who: string) => {
  const context = await school.teacher(who);
  const board = await groupBoard(context, [...context.actor.classIds], null);
  const roster = await rosterView(context, [...context.actor.classIds]);
  return JSON.stringify([board, roster]).includes(studentId);
};

describe.each(NAMES)("what is made of the tie as %s", (name) => {
  it.each(Object.keys(WAYS) as WayName[])("%s", async (way) => {
    await TIES[name].give();
    const before = await rightsOn("ben", studentId);
    expect(before).toContain("see");
    const making = WAYS[way]();
    if (!ALLOWED[name].includes(way)) {
      await expect(making).rejects.toMatchObject({ code: "not-allowed" });
      await TIES[name].end();
      expect(await rightsOn("ben", studentId)).toEqual([]);
      return;
    }
    await making;
    // Never more than before, while it lasts.
    expect(await rightsOn("ben", studentId)).toEqual(before);
    expect(await seen("ben")).toBe(true);
    school.setNow(START + 2 * DAY);
    expect(await rightsOn("ben", studentId)).toEqual([]);
    expect(await seen("ben")).toBe(false);
    await expect(studentSheet(await school.teacher("ben"), studentId)).rejects.toMatchObject({ code: "not-allowed" });
    school.setNow(START);
    expect(await seen("ben")).toBe(true);
    await TIES[name].end();
    expect(await rightsOn("ben", studentId)).toEqual([]);
    expect(await seen("ben")).toBe(false);
  });
});

describe("what is borrowed is not lent on", () => {
  it.each(NAMES)("a group made as %s is shared with nobody", async (name) => {
    await TIES[name].give();
    const groupId = await WAYS["a group"]();
    const ben = await school.teacher("ben");
    await expect(shareGroup(ben, { groupId, personId: "sam" })).rejects.toMatchObject({ code: "not-allowed" });
    // Nor does a shared group take them up.
    const shared = school.runtime.newId();
    await makeClass(school, 1, "5 Ben", "ben", 5);
    await makeGroup(await school.teacher("ben"), { id: shared, name: "Shared", ...days, studentIds: [] });
    await shareGroup(await school.teacher("ben"), { groupId: shared, personId: "sam" });
    const move = { studentIds: [studentId], toGroupId: shared, fromGroupId: null };
    await expect(moveMembers(await school.teacher("ben"), move)).rejects.toMatchObject({ code: "not-allowed" });
    expect(await rightsOn("sam", studentId)).toEqual([]);
  });

  it("a class made as co-teacher is shared with nobody; a class with other staff takes nobody up", async () => {
    await TIES["co-teacher"].give();
    const own = await WAYS["a class"]();
    const share = { classId: own, personId: "sam", role: "co-teacher" };
    await expect(shareClass(await school.teacher("ben"), share)).rejects.toMatchObject({ code: "not-allowed" });
    const other = await makeClass(school, 1, "5 Ben", "ben", 5);
    await shareClass(await school.teacher("ben"), { ...share, classId: other.classId });
    const place = { studentIds: [studentId], toClassId: other.classId, fromClassId: null };
    await expect(placeStudents(await school.teacher("ben"), place)).rejects.toMatchObject({ code: "not-allowed" });
  });
});

describe("what ends a loan", () => {
  it("the student leaves the class that is shared", async () => {
    await TIES.substitute.give();
    await WAYS["a group"]();
    await placeStudents(await school.teacher(), { studentIds: [studentId], toClassId: null, fromClassId: classId });
    expect(await rightsOn("ben", studentId)).toEqual([]);
    expect(await seen("ben")).toBe(false);
  });

  it("the class that is shared is put away", async () => {
    await TIES["co-teacher"].give();
    await WAYS["a class"]();
    await archiveClass(await school.teacher(), { classId });
    expect(await rightsOn("ben", studentId)).toEqual([]);
  });

  it("an import or anything else takes the row of the tie away", async () => {
    await TIES.specialist.give();
    await WAYS["a group"]();
    const cora = await school.teacher("cora");
    const rows = (await school.db.read.query.classStaff.findMany()).filter(({ personId }) => personId === "ben");
    const [row] = await rowsOfTable(school.db.read, "classStaff", [rows[0]?.id ?? ""]);
    if (!row) throw new Error("no tie");
    const ended = changed("classStaff", row, { untilDay: "2026-11-20" });
    const facts = { personId: "ben", role: "specialist" };
    const entry = { kind: "class-share-ended" as const, facts, classId, rows: [ended] };
    await school.db.write((tx) => recordChange(tx, cora, entry));
    expect(await rightsOn("ben", studentId)).toEqual([]);
  });
});

describe("what is nobody's loan", () => {
  it("whose class it is too, or who coordinates, makes what they like, and it stays", async () => {
    await TIES.substitute.give();
    await school.db.write((tx) => insertClassStaff(tx, { id: "x", classId, personId: "ben", role: "teacher" }));
    await WAYS["a group"]();
    const [member] = await school.db.read.query.groupMembers.findMany();
    expect(member?.lentThrough).toBeNull();
    const groupId = school.runtime.newId();
    await makeGroup(await school.teacher("cora"), { id: groupId, name: "All", ...days, studentIds });
    const members = await school.db.read.query.groupMembers.findMany();
    expect(members.every(({ lentThrough }) => lentThrough === null)).toBe(true);
  });

  it("the class's own teacher keeps a group that a substitute made, when the substitute is gone", async () => {
    await TIES.substitute.give();
    const groupId = await WAYS["a reteach group"]();
    school.setNow(START + 2 * DAY);
    const ana = await school.teacher();
    const board = await groupBoard(ana, [classId], null);
    expect(JSON.stringify(board)).toContain(studentId);
    await changeGroup(ana, { groupId, name: "Ours now", ...days });
  });

  it("a co-teacher moves students among the class's own groups without lending anything", async () => {
    const ids = [school.runtime.newId(), school.runtime.newId()];
    for (const id of ids) await makeGroup(await school.teacher(), { id, name: id, ...days, studentIds: [] });
    await TIES["co-teacher"].give();
    const ben = await school.teacher("ben");
    await moveMembers(ben, { studentIds: [studentId], toGroupId: ids[0], fromGroupId: null });
    await moveMembers(ben, { studentIds: [studentId], toGroupId: ids[1], fromGroupId: ids[0] });
    const members = await school.db.read.query.groupMembers.findMany();
    expect(members.map(({ lentThrough }) => lentThrough)).toEqual([null, null]);
  });
});
