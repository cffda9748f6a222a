import { unzipSync } from "fflate";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { credentialOf, sessionOf, setSecret } from "@/db/queries/credentials";
import { classesById, personById, studentsOfClasses } from "@/db/queries/people";
import { membersOfGroups } from "@/db/queries/regroup";
import { added, applyRowChanges, changed, type Row, rowsOfTable } from "@/db/queries/rowChanges";
import { insertClassStaff } from "@/db/queries/school";
import { accountView } from "@/features/access/reads";
import {
  beginSecondStep,
  changePassword,
  confirmSecondStep,
  endSession,
  removeSecondStep,
} from "@/features/access/writes/account";
import { askReset, setPasswordByLink } from "@/features/access/writes/resetPassword";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { studentSheet } from "@/features/evidence/reads/evidence";
import { historyPage } from "@/features/frame/reads/history";
import { makeGroup, moveMembers, shareGroup } from "@/features/regroup/writes/groups";
import { rosterView } from "@/features/roster/reads/rosterView";
import { rollOverView, staffView } from "@/features/roster/reads/schoolPages";
import { studentRecord, whoCanSee } from "@/features/roster/reads/studentRecord";
import { archiveClass, endShare, makeClass as makeOwnClass, shareClass } from "@/features/roster/writes/classes";
import { decideOnErasure, requestErasure } from "@/features/roster/writes/erase";
import { exportRoster, exportStudent } from "@/features/roster/writes/exports";
import { newSignIns, signOutClass } from "@/features/roster/writes/newSignIns";
import { rollOver } from "@/features/roster/writes/rollOver";
import { archiveStaff, correctStaff, restoreStaff, setSchoolRole } from "@/features/roster/writes/staff";
import { archiveStudent, correctStudent } from "@/features/roster/writes/students";
import { chooseInterests } from "@/features/roster/writes/supports";
import { hashSecret, tokenHashOf } from "@/server/access/secrets";
import { personOfToken } from "@/server/access/sessions";
import { openClassDoor, signInStaff, signInStudent } from "@/server/access/signIn";
import { totpCode } from "@/server/access/totp";
import { undoChange } from "@/server/history/undoChange";
import {
  give,
  givePractice,
  HERE,
  makeClass,
  open,
  PASSWORD,
  START,
  type TestSchool,
  TODAY,
  testSchool,
} from "../support/school";

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool();
});
afterEach(() => school.close());

const MINUTE = 60_000;
const ana = { email: "ana@school.example", password: PASSWORD };
const enter = async (input: object = {}) => signInStaff(school.runtime, { ...ana, ...input }, HERE);
const tokenOf = async () => {
  const found = await enter();
  return found === "code" ? "" : found.token;
};

describe("sessions", () => {
  it("end when they lie unused, by role, and are prolonged by use", async () => {
    const token = await tokenOf();
    school.setNow(START + 119 * MINUTE);
    expect(await personOfToken(school.runtime, token)).not.toBeNull();
    school.setNow(START + 238 * MINUTE);
    expect(await personOfToken(school.runtime, token)).not.toBeNull();
    school.setNow(START + 359 * MINUTE);
    expect(await personOfToken(school.runtime, token)).toBeNull();
    const { studentIds } = await makeClass(school, 1);
    const [slip] = await newSignIns(await school.teacher(), { studentIds });
    const student = await signInStudent(
      school.runtime,
      { code: slip?.code ?? "", studentId: studentIds[0] ?? "", pin: slip?.pin ?? "" },
      HERE,
    );
    school.setNow(START + 359 * MINUTE + 41 * MINUTE);
    expect(await personOfToken(school.runtime, student)).toBeNull();
  });

  it("are ended one by one, and for a whole class", async () => {
    const [here, there] = [await tokenOf(), await tokenOf()];
    const view = await accountView(await school.teacher(), tokenHashOf(here));
    expect(view.devices).toHaveLength(2);
    const other = view.devices.find(({ isThis }) => !isThis);
    await endSession(await school.teacher(), { device: other?.id });
    expect(await personOfToken(school.runtime, there)).toBeNull();
    expect(await personOfToken(school.runtime, here)).not.toBeNull();
    const { classId, studentIds } = await makeClass(school, 2);
    const slips = await newSignIns(await school.teacher(), { studentIds });
    const tokens = await Promise.all(
      slips.map(({ code, studentId, pin }) => signInStudent(school.runtime, { code, studentId, pin }, HERE)),
    );
    expect(await signOutClass(await school.teacher(), { classId })).toEqual({ ended: 2 });
    for (const token of tokens)
      expect((await sessionOf(school.db.read, tokenHashOf(token)))?.session.revokedAt).toBe(START);
  });
});

describe("passwords and the second step", () => {
  it("asks for a code once it is set up, takes each code once, and can be turned off", async () => {
    const context = await school.teacher();
    await expect(beginSecondStep(context, { password: "wrong" })).rejects.toMatchObject({ code: "invalid" });
    const { secret } = await beginSecondStep(context, { password: PASSWORD });
    await expect(confirmSecondStep(context, { code: "000000" })).rejects.toMatchObject({ code: "invalid" });
    expect(await enter()).not.toBe("code");
    await confirmSecondStep(context, { code: totpCode(secret, START) });
    expect(await enter()).toBe("code");
    await expect(enter({ code: totpCode(secret, START) })).rejects.toMatchObject({ code: "invalid" });
    school.setNow(START + MINUTE);
    expect(await enter({ code: totpCode(secret, START + MINUTE) })).toHaveProperty("token");
    await removeSecondStep(context, { password: PASSWORD });
    expect(await enter()).toHaveProperty("token");
  });

  it("are changed with the present one only, and sign the other devices out", async () => {
    const [here, there] = [await tokenOf(), await tokenOf()];
    const change = (next: string, present = PASSWORD) => changePassword(await0, { present, next }, tokenHashOf(here));
    const await0 = await school.teacher();
    await expect(change("a long new sentence", "wrong")).rejects.toMatchObject({ code: "invalid" });
    await expect(change("short")).rejects.toMatchObject({ message: expect.stringContaining("12") });
    await expect(change("anatesterana1")).rejects.toMatchObject({ message: expect.stringContaining("easy to guess") });
    await expect(change("qwerty123456")).rejects.toMatchObject({ message: expect.stringContaining("Many people") });
    await change("a long new sentence");
    expect(await personOfToken(school.runtime, here)).not.toBeNull();
    expect(await personOfToken(school.runtime, there)).toBeNull();
    expect(await enter({ password: "a long new sentence" })).toHaveProperty("token");
  });

  it("are set anew by a mailed link that works once, within half an hour, and tells nothing about addresses", async () => {
    const mails: { to: string; text: string }[] = [];
    const runtime = {
      ...school.runtime,
      sendMail: async (mail: { to: string; text: string }) => void mails.push(mail),
    };
    await askReset(runtime, { email: "nobody@school.example" });
    expect(mails).toEqual([]);
    for (let n = 0; n < 5; n++) await askReset(runtime, { email: ana.email });
    expect(mails).toHaveLength(3);
    const token = /#(\S+)/.exec(mails[0]?.text ?? "")?.[1] ?? "";
    const old = /#(\S+)/.exec(mails[1]?.text ?? "")?.[1] ?? "";
    await expect(setPasswordByLink(runtime, { token: "other", password: "a long new sentence" })).rejects.toMatchObject(
      { code: "closed" },
    );
    school.setNow(START + 31 * MINUTE);
    await expect(setPasswordByLink(runtime, { token, password: "a long new sentence" })).rejects.toMatchObject({
      code: "closed",
    });
    school.setNow(START + 29 * MINUTE);
    await setPasswordByLink(runtime, { token, password: "a long new sentence" });
    expect(await enter({ password: "a long new sentence" })).toHaveProperty("token");
    for (const used of [token, old])
      await expect(setPasswordByLink(runtime, { token: used, password: "another long one" })).rejects.toMatchObject({
        code: "closed",
      });
  });
});

describe("staff", () => {
  const ben = async () => (await school.db.read.query.people.findMany()).find(({ id }) => id === "ben");

  it("who leaves is signed out and off all classes at once; undo, or coming back, opens the door again", async () => {
    const { classId } = await makeClass(school, 1);
    await shareClass(await school.teacher(), { classId, personId: "ben", role: "co-teacher" });
    const secret = await hashSecret(PASSWORD);
    await school.db.write((tx) => setSecret(tx, "ben", secret, "password"));
    const signIn = () => signInStaff(school.runtime, { email: "ben@school.example", password: PASSWORD }, HERE);
    const signedIn = await signIn();
    if (signedIn === "code") throw new Error("no second step was set up");
    const cora = await school.teacher("cora");
    const { changeId } = await archiveStaff(cora, { personId: "ben" });
    expect(await personOfToken(school.runtime, signedIn.token)).toBeNull();
    await expect(signIn()).rejects.toMatchObject({ code: "invalid" });
    expect(await staffView(cora)).toMatchObject({ left: [{ id: "ben" }] });
    await undoChange(cora, changeId);
    await signIn();
    expect((await school.teacher("ben")).actor.classTies.get(classId)).toBe("co-teacher");
    await archiveStaff(cora, { personId: "ben" });
    await restoreStaff(cora, { personId: "ben" });
    await signIn();
    expect((await school.teacher("ben")).actor.classTies.size).toBe(0);
    await expect(restoreStaff(cora, { personId: "ben" })).rejects.toMatchObject({ code: "conflict" });
  });

  it("nobody lets themselves go, and a school keeps its last coordinator", async () => {
    const cora = await school.teacher("cora");
    await expect(archiveStaff(cora, { personId: "cora" })).rejects.toMatchObject({ code: "invalid" });
    await setSchoolRole(cora, { personId: "ben", role: "coordinator" });
    await archiveStaff(await school.teacher("ben"), { personId: "cora" });
    await expect(
      setSchoolRole(await school.teacher("ben"), { personId: "ben", role: "teacher" }),
    ).rejects.toMatchObject({ code: "conflict" });
  });

  it("corrects name and email, and tells when the email is somebody else's", async () => {
    const cora = await school.teacher("cora");
    const values = { personId: "ben", givenName: "Ben", familyName: "Tester", email: "ben@school.example" };
    await expect(correctStaff(cora, values)).rejects.toMatchObject({ code: "invalid" });
    await expect(correctStaff(cora, { ...values, email: "ana@school.example" })).rejects.toMatchObject({
      code: "conflict",
      message: expect.stringContaining("email"),
    });
    const { changeId } = await correctStaff(cora, { ...values, familyName: "Testerson" });
    expect((await ben())?.familyName).toBe("Testerson");
    await undoChange(cora, changeId);
    expect((await ben())?.familyName).toBe("Tester");
  });
});

describe("sharing a class", () => {
  it("gives a substitute the class until the last day, and who can see a student says so", async () => {
    const { classId, studentIds } = await makeClass(school, 1);
    const context = await school.teacher();
    await expect(shareClass(context, { classId, personId: "ben", role: "substitute" })).rejects.toMatchObject({
      code: "invalid",
    });
    await shareClass(context, { classId, personId: "ben", role: "substitute", untilDay: "2026-11-24" });
    expect((await school.teacher("ben")).actor.classTies.get(classId)).toBe("substitute");
    const seen = await whoCanSee(await school.teacher("cora"), studentIds[0] ?? "");
    expect(seen.people.map(({ name, why }) => [name, why.join()])).toEqual([
      ["Ana Tester", "teaches 6 Test"],
      ["Ben Tester", "stands in for 6 Test until 24 Nov 2026"],
      ["Cora Tester", "coordinates the school"],
    ]);
    school.setNow(START + 2 * 86_400_000);
    expect((await school.teacher("ben")).actor.classTies.has(classId)).toBe(false);
  });

  it("names who coordinates the schools above among those who can see a student, and nobody of other schools", async () => {
    const { studentIds } = await makeClass(school, 1);
    const { db } = school;
    const far = { familyName: "Tester", kind: "staff" as const };
    await applyRowChanges(db.read, [
      added("schools", { id: "valley", name: "The valley", timeZone: "Europe/Dublin", kind: "district" }),
      added("schools", { id: "elsewhere", name: "Elsewhere", timeZone: "Europe/Dublin" }),
      changed("schools", (await rowsOfTable(db.read, "schools", ["school-1"]))[0] as Row<"schools">, {
        parentId: "valley",
      }),
      added("people", { id: "dee", schoolId: "valley", givenName: "Dee", ...far }),
      added("people", { id: "eli", schoolId: "elsewhere", givenName: "Eli", ...far }),
      added("roles", { id: "role-dee", personId: "dee", schoolId: "valley", role: "coordinator" }),
      added("roles", { id: "role-eli", personId: "eli", schoolId: "elsewhere", role: "coordinator" }),
    ]);
    const seen = await whoCanSee(await school.teacher("cora"), studentIds[0] ?? "");
    expect(seen.people.map(({ name }) => name)).toEqual(["Ana Tester", "Cora Tester", "Dee Tester"]);
    // Should parents ever go round in a circle, nobody waits for ever.
    const [valley] = await rowsOfTable(db.read, "schools", ["valley"]);
    await applyRowChanges(db.read, [changed("schools", valley as Row<"schools">, { parentId: "school-1" })]);
    expect([...(await school.teacher("dee")).actor.coordinates].sort()).toEqual(["school-1", "valley"]);
  });

  it("never leaves a class without a teacher, nor a school without a coordinator", async () => {
    const { classId } = await makeClass(school, 1);
    const rows = await school.db.read.query.classStaff.findMany();
    await expect(endShare(await school.teacher(), { classId, staffRowId: rows[0]?.id })).rejects.toMatchObject({
      code: "conflict",
    });
    await expect(
      setSchoolRole(await school.teacher("cora"), { personId: "cora", role: "teacher" }),
    ).rejects.toMatchObject({ code: "conflict" });
  });
});

describe("taking back", () => {
  it("a class that was put away comes back by its notice, and a co-teacher does not take back who shares it", async () => {
    const { classId } = await makeClass(school, 1);
    const shared = await shareClass(await school.teacher(), { classId, personId: "ben", role: "co-teacher" });
    const other = await shareClass(await school.teacher(), { classId, personId: "sam", role: "specialist" });
    await expect(undoChange(await school.teacher("ben"), other.changeId)).rejects.toMatchObject({
      code: "not-allowed",
    });
    const { changeId } = await archiveClass(await school.teacher(), { classId });
    await undoChange(await school.teacher(), changeId);
    expect((await school.teacher()).actor.classTies.get(classId)).toBe("teacher");
    await undoChange(await school.teacher(), shared.changeId);
    expect((await school.teacher("ben")).actor.classTies.has(classId)).toBe(false);
  });

  it("a former coordinator does not take back what made them one", async () => {
    await setSchoolRole(await school.teacher("cora"), { personId: "sam", role: "coordinator" });
    const { changeId } = await setSchoolRole(await school.teacher("cora"), { personId: "cora", role: "teacher" });
    await expect(undoChange(await school.teacher("cora"), changeId)).rejects.toMatchObject({ code: "not-allowed" });
    await undoChange(await school.teacher("sam"), changeId);
    expect((await school.teacher("cora")).actor.coordinates).toEqual([school.schoolId]);
  });

  it("whoever shares a group takes back a move of theirs in it, though the class is another's", async () => {
    const { classId, studentIds } = await makeClass(school, 2);
    const groupId = school.runtime.newId();
    const days = { fromDay: "2026-11-23", slots: [] };
    await makeGroup(await school.teacher(), {
      id: groupId,
      name: "Group",
      ...days,
      studentIds: studentIds.slice(0, 1),
    });
    await shareGroup(await school.teacher(), { groupId, personId: "ben" });
    const ben = await school.teacher("ben");
    expect(ben.actor.classTies.has(classId)).toBe(false);
    const move = { studentIds: studentIds.slice(0, 1), fromGroupId: groupId, toGroupId: null };
    const { changeId } = await moveMembers(ben, move);
    await undoChange(ben, changeId);
    expect(await membersOfGroups(school.db.read, [groupId], { day: TODAY, viewerId: "ben" })).toHaveLength(1);
  });
});

describe("privacy", () => {
  it("erases a student only with a second person's word; sums stay, names go from the history too", async () => {
    const { classId, studentIds } = await makeClass(school, 2);
    const [studentId = ""] = studentIds;
    const workId = await givePractice(school, classId, studentIds);
    await give(school, studentId, await open(school, studentId, workId), "right");
    await correctStudent(await school.teacher(), {
      studentId,
      givenName: "Zebulon",
      familyName: "Quince",
      studentNumber: "Z1",
      grade: 6,
    });
    const cora = await school.teacher("cora");
    const erasureId = school.runtime.newId();
    await requestErasure(cora, { erasureId, studentId, reason: "the family asked on 20 November" });
    await expect(decideOnErasure(cora, { erasureId, outcome: "erased", typedName: "Quince" })).rejects.toMatchObject({
      code: "not-allowed",
    });
    await setSchoolRole(cora, { personId: "sam", role: "coordinator" });
    const sam = await school.teacher("sam");
    await expect(decideOnErasure(sam, { erasureId, outcome: "erased", typedName: "Quinze" })).rejects.toMatchObject({
      code: "invalid",
    });
    await decideOnErasure(sam, { erasureId, outcome: "erased", typedName: "quince" });
    expect(await personById(school.db.read, studentId)).toMatchObject({
      givenName: "Erased",
      studentNumber: null,
      email: null,
    });
    expect(await school.db.read.query.answers.findMany()).toEqual([]);
    expect(await school.db.read.query.erasedTotals.findMany()).toMatchObject([
      { skillId: "equivalent-ratios", answered: 1, right: 1 },
    ]);
    const everything = JSON.stringify([
      await school.db.read.query.changeRows.findMany(),
      await school.db.read.query.changes.findMany(),
      await school.db.read.query.people.findMany(),
    ]);
    expect(everything).not.toMatch(/Zebulon|Quince/);
    expect(await school.db.read.query.rosterDrafts.findMany()).toEqual([]);
    const { entries } = await historyPage(sam, [], { find: "", area: "privacy", before: null });
    expect(entries[0]?.sentence).toBe("Erased an erased student for good");
    await expect(whoCanSee(sam, studentId)).rejects.toMatchObject({ code: "not-allowed" });
  });

  it("takes out everything about a student, and no secret; each export stands in the history", async () => {
    const { classId, studentIds } = await makeClass(school, 2);
    await newSignIns(await school.teacher(), { studentIds });
    const [studentId = "", otherId = ""] = studentIds;
    await chooseInterests(school.student(studentId), { chosen: ["music", "space"] });
    const { bytes } = await exportStudent(await school.teacher("cora"), { studentId });
    const files = Object.entries(unzipSync(bytes)).map(
      ([name, content]) => [name, new TextDecoder().decode(content)] as const,
    );
    expect(Object.fromEntries(files)["interests.csv"]).toMatch(/music[\s\S]*space/);
    const all = JSON.stringify(files);
    expect(all).not.toContain("argon2");
    expect(all).not.toContain(otherId);
    await exportRoster(await school.teacher(), { format: "csv", classIds: [classId] });
    const { entries } = await historyPage(await school.teacher("cora"), [], { find: "", area: "export", before: null });
    expect(entries.map(({ sentence }) => sentence)).toEqual([
      "Took out the roster of 6 Test as CSV",
      "Took out everything that is kept about Student00 Of6Test",
    ]);
  });

  it("finds in the history by words of the sentence, of its facts and by people; who signed in stands apart", async () => {
    const { classId, studentIds } = await makeClass(school, 2);
    const [studentId = ""] = studentIds;
    const [slip] = await newSignIns(await school.teacher(), { studentIds: [studentId] });
    await signInStudent(
      school.runtime,
      { studentId, code: slip?.code ?? "", pin: slip?.pin ?? "" },
      { ...HERE, device: "a tablet" },
    );
    const ana = await school.teacher();
    const find = async (words: string, area = "") =>
      (await historyPage(ana, [classId], { find: words, area, before: null })).entries.map(({ sentence }) => sentence);
    expect(await find("new pin")).toEqual(["New PIN for Student00 Of6Test"]);
    expect(await find("Student00")).toContain("New PIN for Student00 Of6Test");
    expect(await find("new nothing")).toEqual([]);
    expect(await find("signed")).toEqual([]);
    expect(await find("", "sign-in")).toEqual(["Student00 Of6Test signed in by PIN on a tablet"]);
    expect(await find("tablet signed", "sign-in")).toHaveLength(1);
    expect(await find("password", "sign-in")).toEqual([]);
    const other = await makeClass(school, 1, "Another");
    const page = await historyPage(await school.teacher(), [other.classId], {
      find: "",
      area: "sign-in",
      before: null,
    });
    expect(page.entries).toEqual([]);
  });

  it("a student's interests are few and from the list", async () => {
    const { studentIds } = await makeClass(school, 1);
    const pupil = school.student(studentIds[0] ?? "");
    await expect(chooseInterests(pupil, { chosen: ["weapons"] })).rejects.toMatchObject({ code: "invalid" });
    await expect(
      chooseInterests(pupil, { chosen: ["music", "space", "art", "stories", "running-and-races"] }),
    ).rejects.toMatchObject({ code: "invalid" });
    await chooseInterests(pupil, { chosen: ["music"] });
    await chooseInterests(pupil, { chosen: [] });
    expect(await school.db.read.query.interests.findMany()).toEqual([]);
  });
});

describe("the year's end", () => {
  it("moves up, lets leave, keeps evidence readable, excepts whom it should, and is undone whole", async () => {
    const six = await makeClass(school, 3, "6 Alder");
    const five = await makeClass(school, 2, "5 Alder", "ana", 5);
    const [left = "", stays = ""] = six.studentIds;
    const workId = await givePractice(school, six.classId, [left]);
    await give(school, left, await open(school, left, workId), "right");
    const cora = await school.teacher("cora");
    const view = await rollOverView(cora);
    expect(view.next).toEqual({ name: "Autumn 2027", startDay: "2027-09-13", endDay: "2028-01-21" });
    const before = JSON.stringify([
      await school.db.read.query.people.findMany(),
      await school.db.read.query.enrollments.findMany(),
    ]);
    const { changeId } = await rollOver(cora, {
      termName: "Autumn 2027",
      startDay: "2027-09-06",
      endDay: "2028-01-28",
      teachers: "by-name",
      version: view.version,
      lines: view.lines.map(({ classId, what, nextGrade, nextName }) => ({
        classId,
        what,
        grade: nextGrade,
        className: nextName,
      })),
      exceptions: [{ studentId: stays, what: "stays" }],
    });
    const people = new Map((await school.db.read.query.people.findMany()).map((row) => [row.id, row]));
    expect(people.get(left)?.archivedAt).toBe(START);
    expect(people.get(five.studentIds[0] ?? "")?.grade).toBe(6);
    const teacher = await school.teacher();
    const [own] = teacher.actor.classIds;
    // 5 Alder became 6 Alder, with 6 Alder's teacher and the student who stays in grade 6.
    expect((await studentsOfClasses(school.db.read, [own ?? ""], TODAY)).map(({ person }) => person.id).sort()).toEqual(
      [...five.studentIds, stays].sort(),
    );
    const sheet = await studentSheet(await school.teacher("cora"), left);
    expect(sheet.left).toBe(true);
    expect(sheet.gauges.some(({ answered }) => answered > 0)).toBe(true);
    await expect(
      rollOver(cora, {
        ...JSON.parse("{}"),
        termName: "X",
        startDay: "2028-09-01",
        endDay: "2029-01-01",
        teachers: "later",
        version: view.version,
        lines: [{ classId: six.classId, what: "leaves", grade: 7, className: "7" }],
      }),
    ).rejects.toMatchObject({ code: "conflict" });
    await undoChange(await school.teacher("cora"), changeId);
    expect(
      JSON.stringify([await school.db.read.query.people.findMany(), await school.db.read.query.enrollments.findMany()]),
    ).toBe(before);
  });
});

it("a class emptied while its work is open keeps work, answers and the students' own pages", async () => {
  const { classId, studentIds } = await makeClass(school, 2);
  const [studentId = ""] = studentIds;
  const workId = await givePractice(school, classId, studentIds);
  const sitting = await open(school, studentId, workId);
  await give(school, studentId, sitting, "wrong");
  for (const id of studentIds) await archiveStudent(await school.teacher("cora"), { studentId: id });
  expect(await studentsOfClasses(school.db.read, [classId], TODAY)).toEqual([]);
  // The answer that was on its way still arrives, and the evidence stays.
  await give(school, studentId, await open(school, studentId, workId), "right");
  expect((await studentHome(school.student(studentId))).now).toHaveLength(1);
  expect(await school.db.read.query.answers.findMany()).toHaveLength(2);
});

it("a last day that is still to come ends the enrollment by itself, at the door too", async () => {
  const { classId, studentIds } = await makeClass(school, 2);
  const [leaves = "", stays = ""] = studentIds;
  const rows = await school.db.read.query.enrollments.findMany();
  const row = rows.find(({ personId }) => personId === leaves);
  if (!row) throw new Error("no enrollment");
  await school.db.write((tx) => applyRowChanges(tx, [changed("enrollments", row, { untilDay: "2026-11-25" })]));
  const [found] = await classesById(school.db.read, [classId]);
  const inClass = async () => {
    const { students } = await rosterView(await school.teacher(), [classId]);
    const door = await openClassDoor(school.runtime, found?.code ?? "");
    expect(door.students.map(({ id }) => id).sort()).toEqual(students.map(({ id }) => id).sort());
    return students.map(({ id }) => id).sort();
  };
  school.setNow(Date.parse("2026-11-24T22:00:00Z"));
  expect(await inClass()).toEqual([leaves, stays].sort());
  school.setNow(Date.parse("2026-11-25T08:00:00Z"));
  expect(await inClass()).toEqual([stays]);
  const record = await studentRecord(await school.teacher("cora"), leaves);
  expect(record.enrollments).toMatchObject([{ until: "2026-11-25", over: true, mayLeave: false }]);
  // Who has left the class is no longer the teacher's to see.
  await expect(studentRecord(await school.teacher(), leaves)).rejects.toMatchObject({ code: "not-allowed" });
});

it("a class of a teacher's own holds students of several classes, and its code and history are its own", async () => {
  const one = await makeClass(school, 2, "6 One");
  const two = await makeClass(school, 2, "6 Two");
  const studentIds = [one.studentIds[0] ?? "", two.studentIds[0] ?? ""];
  const { classId } = await makeOwnClass(await school.teacher(), {
    classId: school.runtime.newId(),
    name: "Club",
    subject: "Mathematics",
    grade: 6,
    untilDay: "2026-12-18",
    studentIds,
  });
  expect((await studentsOfClasses(school.db.read, [classId], TODAY)).map(({ person }) => person.id).sort()).toEqual(
    [...studentIds].sort(),
  );
  expect(await studentsOfClasses(school.db.read, [one.classId], TODAY)).toHaveLength(2);
  await expect(
    makeOwnClass(await school.teacher(), { classId: school.runtime.newId(), name: "club", subject: "M", grade: 6 }),
  ).rejects.toMatchObject({ code: "conflict" });
  await school.db.write((tx) => insertClassStaff(tx, { id: "x", classId, personId: "sam", role: "specialist" }));
  expect((await school.teacher("sam")).actor.classTies.get(classId)).toBe("specialist");
  expect(await credentialOf(school.db.read, studentIds[0] ?? "")).toBeNull();
});
