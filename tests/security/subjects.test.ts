import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { archiveClass } from "@/features/roster/writes/classes";
import { archivedSubject, classSubjects, demandClasses, groupSubjects, openClasses } from "@/server/access/subjects";
import { makeClass, type TestSchool, testSchool } from "~/tests/support/school";

let school: TestSchool;
let open: string;
let away: string;
beforeEach(async () => {
  school = await testSchool();
  open = (await makeClass(school, 1)).classId;
  away = (await makeClass(school, 1, "Put away")).classId;
  await archiveClass(await school.teacher(), { classId: away });
});
afterEach(() => school.close());

const schoolIdsFor = async (name: string, ...classIds: string[]) =>
  (await classSubjects(school.db.read, (await school.teacher(name)).actor, classIds)).map(({ schoolId }) => schoolId);

describe("what the policy is asked about", () => {
  it("is loaded with its school for coordinators, who carry no list of the school's classes", async () => {
    const { actor } = await school.teacher("cora");
    expect([actor.classTies.size, actor.archivedClassTies.size]).toEqual([0, 0]);
    expect(await schoolIdsFor("cora", away, open, "nowhere")).toEqual([null, school.schoolId, null]);
    expect(await archivedSubject(school.db.read, actor, away)).toMatchObject({ schoolId: school.schoolId });
    expect(await archivedSubject(school.db.read, actor, open)).toMatchObject({ schoolId: null });
    const groups = [away, open].map((classId, n) => ({ id: `g${n}`, classId }));
    expect((await groupSubjects(school.db.read, actor, groups)).map(({ schoolId }) => schoolId)).toEqual([
      null,
      school.schoolId,
    ]);
  });

  it("needs no school for everybody else: what counts is their own tie", async () => {
    expect(await schoolIdsFor("ana", open)).toEqual([null]);
    await expect(demandClasses(await school.teacher("ana"), "see", [open])).resolves.toBeUndefined();
    await expect(demandClasses(await school.teacher("ana"), "see", [open, away])).rejects.toMatchObject({
      code: "not-allowed",
    });
    await expect(demandClasses(await school.teacher("ben"), "see", [open])).rejects.toMatchObject({
      code: "not-allowed",
    });
  });

  it("a coordinator may enter every open class of the school, and none that is put away or unknown", async () => {
    const cora = await school.teacher("cora");
    await expect(demandClasses(cora, "change", [open])).resolves.toBeUndefined();
    for (const classId of [away, "nowhere"])
      await expect(demandClasses(cora, "see", [classId])).rejects.toMatchObject({ code: "not-allowed" });
    expect((await openClasses(school.db.read, cora.actor)).map(({ id }) => id)).toEqual([open]);
    expect(await openClasses(school.db.read, (await school.teacher("ben")).actor)).toEqual([]);
  });
});
