import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { insertPiece, pieceCount, piecesOf, rowsOfPiece } from "@/db/queries/history";
import { studentsOfSchools } from "@/db/queries/roster";
import { added, applyRowChanges, inverse } from "@/db/queries/rowChanges";
import { insertUnfinished, unfinishedAt } from "@/db/queries/unfinishedChanges";
import { historyPage } from "@/features/frame/reads/history";
import { applyImport } from "@/features/roster/writes/importRoster";
import { addStudent } from "@/features/roster/writes/students";
import { ABANDONED_MILLISECONDS, takeUpAbandoned } from "@/server/history/bigChange";
import { openEntry } from "@/server/history/recordChange";
import { undoChange } from "@/server/history/undoChange";
import { previewFile } from "~/tests/support/rosterFiles";
import { csv, give, givePractice, makeClass, open, START, type TestSchool, testSchool } from "~/tests/support/school";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 2));
});
afterEach(() => {
  vi.restoreAllMocks();
  school.close();
});

const STUDENTS = 800;
const sheet = csv(
  `id,first,last,grade,classes\n${Array.from({ length: STUDENTS }, (_, n) => `Z${n},Given${n},Family${n},6,6 Test`).join("\n")}`,
);
const count = async () => (await studentsOfSchools(school.db.read, [school.schoolId])).length;
const entries = async () => {
  const { entries: found } = await historyPage(await school.teacher("cora"), [], {
    find: "big.csv",
    area: "",
    before: null,
  });
  return found.map(({ sentence, undone }) => [sentence, undone]);
};
const IMPORTED = `Imported big.csv: ${STUDENTS} people added, ${STUDENTS} enrollments begun`;

async function apply() {
  const { draftId, fingerprint } = await previewFile(school, "big.csv", sheet);
  return applyImport(await school.teacher("cora"), { draftId, fingerprint });
}

/** Something done in the middle: before the write of that number that follows from now on. */
function before(number: number, what: () => Promise<void>): void {
  const write = school.db.write.bind(school.db);
  let writes = 0;
  let busy = false;
  vi.spyOn(school.db, "write").mockImplementation(async (change) => {
    if (!busy && ++writes === number) {
      busy = true;
      await what();
      busy = false;
    }
    return write(change);
  });
}

describe("a change of thousands of rows", () => {
  it("is one entry, written in pieces between which others get their turn, and taken back as one", async () => {
    const student = studentIds[0] ?? "";
    const workId = await givePractice(school, classId, [student]);
    const view = await open(school, student, workId);
    const { draftId, fingerprint } = await previewFile(school, "big.csv", sheet);
    let statusMeanwhile = "";
    let halfWay = 0;
    before(3, async () => {
      halfWay = await count();
      statusMeanwhile = (await give(school, student, view, "right")).outcome.status;
      const late = addStudent(await school.teacher(), {
        studentId: school.runtime.newId(),
        classId,
        givenName: "Too",
        familyName: "Early",
        studentNumber: "E1",
        grade: 6,
      });
      await expect(late).rejects.toMatchObject({ code: "conflict", message: expect.stringContaining("under way") });
      const again = applyImport(await school.teacher("cora"), { draftId, fingerprint });
      await expect(again).rejects.toMatchObject({ code: "conflict" });
    });
    const { changeId } = await applyImport(await school.teacher("cora"), { draftId, fingerprint });
    expect(halfWay).toBeGreaterThan(2);
    expect(halfWay).toBeLessThan(STUDENTS);
    expect(statusMeanwhile).toBe("scored");
    expect(await count()).toBe(STUDENTS + 2);
    expect(await unfinishedAt(school.db.read, school.schoolId)).toBeNull();
    expect(await entries()).toEqual([[IMPORTED, false]]);
    // Sent once more, it is there already.
    expect(await applyImport(await school.teacher("cora"), { draftId, fingerprint })).toMatchObject({ changeId });
    await undoChange(await school.teacher("cora"), changeId);
    expect(await count()).toBe(2);
    expect(await entries()).toEqual([[IMPORTED, true]]);
    expect((await apply()).changeId).not.toBe(changeId);
  });

  it("is taken back whole when a piece of it can't be written", async () => {
    before(3, () =>
      school.db.write((tx) =>
        applyRowChanges(tx, [
          added("people", {
            id: "clash",
            schoolId: school.schoolId,
            kind: "student",
            givenName: "In",
            familyName: "Between",
            studentNumber: `Z${STUDENTS - 1}`,
          }),
        ]),
      ),
    );
    await expect(apply()).rejects.toThrow();
    expect(await count()).toBe(3);
    expect(await unfinishedAt(school.db.read, school.schoolId)).toBeNull();
    expect(await entries()).toEqual([[IMPORTED, true]]);
  });

  it("is given up by whoever was held up for so long that another process took it back", async () => {
    before(3, async () => {
      school.setNow(START + ABANDONED_MILLISECONDS);
      await takeUpAbandoned(school.runtime);
    });
    await expect(apply()).rejects.toMatchObject({ code: "conflict", message: expect.stringContaining("taken back") });
    expect(await count()).toBe(2);
    expect(await unfinishedAt(school.db.read, school.schoolId)).toBeNull();
    expect(await entries()).toEqual([[IMPORTED, true]]);
  });

  it("is not taken back by halves: what students did since stands in the way, and all of it stays", async () => {
    const { changeId } = await apply();
    const students = await studentsOfSchools(school.db.read, [school.schoolId]);
    const early = students.find(({ person }) => person.studentNumber === "Z0")?.person.id ?? "";
    const workId = await givePractice(school, classId, [early]);
    await give(school, early, await open(school, early, workId), "right");
    const { entries: found } = await historyPage(await school.teacher(), [classId], {
      find: "",
      area: "work",
      before: null,
    });
    expect(found[0]?.mayUndo).toBe(true);
    await expect(undoChange(await school.teacher("cora"), changeId)).rejects.toMatchObject({
      code: "conflict",
      message: expect.stringContaining("students have worked since"),
    });
    expect(await count()).toBe(STUDENTS + 2);
    expect(await unfinishedAt(school.db.read, school.schoolId)).toBeNull();
    expect(await entries()).toEqual([[IMPORTED, false]]);
  });
});

describe("a change whose process ended half-way", () => {
  async function leaveHalf(): Promise<void> {
    const context = await school.teacher("cora");
    const rows = Array.from({ length: 2_500 }, (_, n) =>
      added("people", {
        id: `left-${n}`,
        schoolId: school.schoolId,
        kind: "student",
        givenName: "Left",
        familyName: `Over${n}`,
        studentNumber: `L${n}`,
      }),
    );
    const facts = { term: "Spring", movedUp: 0, left: 0, made: 0, putAway: 0 };
    const changeId = await school.db.write((tx) =>
      openEntry(tx, context, { kind: "rolled-over", facts, classId: null, rows }),
    );
    const { schoolId } = school;
    await school.db.write(async (tx) => {
      await insertUnfinished(tx, { changeId, schoolId, direction: "forward", pieces: 2, at: START });
      for (const [place, piece] of piecesOf(rows).slice(0, 2).entries()) {
        await applyRowChanges(tx, piece);
        await insertPiece(tx, changeId, place, piece);
      }
    });
    expect(await count()).toBe(1_002);
  }

  it("is taken back once it is certain that nobody goes on with it", async () => {
    await leaveHalf();
    await takeUpAbandoned(school.runtime);
    expect(await count()).toBe(1_002);
    school.setNow(START + ABANDONED_MILLISECONDS);
    await Promise.all([takeUpAbandoned(school.runtime), takeUpAbandoned(school.runtime)]);
    expect(await count()).toBe(2);
    expect(await unfinishedAt(school.db.read, school.schoolId)).toBeNull();
    const { entries: found } = await historyPage(await school.teacher("cora"), [], {
      find: "Rolled",
      area: "",
      before: null,
    });
    expect(found).toMatchObject([{ undone: true, mayUndo: false }]);
  });

  it("comes into force again when it was being taken back, since nobody knows whether it might have been", async () => {
    const { changeId } = await apply();
    const pieces = await pieceCount(school.db.read, changeId);
    const { schoolId } = school;
    await school.db.write(async (tx) => {
      for (const place of [pieces - 1, pieces - 2])
        await applyRowChanges(tx, inverse(await rowsOfPiece(tx, changeId, place)));
      await insertUnfinished(tx, { changeId, schoolId, direction: "back", pieces: pieces - 2, at: START });
    });
    const enrolled = async () =>
      (await school.db.read.query.enrollments.findMany()).filter(({ untilDay }) => untilDay === null).length;
    expect(await enrolled()).toBeLessThan(STUDENTS);
    school.setNow(START + ABANDONED_MILLISECONDS);
    await takeUpAbandoned(school.runtime);
    expect(await enrolled()).toBe(STUDENTS + 2);
    expect(await entries()).toEqual([[IMPORTED, false]]);
    await undoChange(await school.teacher("cora"), changeId);
    expect(await count()).toBe(2);
  });

  it("stays in force, and the school open, where even that fails; its entry can be taken back later", async () => {
    await leaveHalf();
    const workId = await givePracticeTo("left-3");
    await give(school, "left-3", await open(school, "left-3", workId), "right");
    school.setNow(START + ABANDONED_MILLISECONDS);
    await takeUpAbandoned(school.runtime);
    expect(await count()).toBe(1_002);
    expect(await unfinishedAt(school.db.read, school.schoolId)).toBeNull();
    const { entries: found } = await historyPage(await school.teacher("cora"), [], {
      find: "Rolled",
      area: "",
      before: null,
    });
    expect(found).toMatchObject([{ undone: false, mayUndo: true }]);
  });

  /** Work for somebody whom the half-written change brought; given before the change began to be watched over. */
  async function givePracticeTo(studentId: string): Promise<string> {
    await school.db.write((tx) =>
      applyRowChanges(tx, [
        added("enrollments", { id: "into-class", classId, personId: studentId, fromDay: "2026-11-20" }),
      ]),
    );
    const state = await unfinishedAt(school.db.read, school.schoolId);
    const { deleteUnfinished } = await import("@/db/queries/unfinishedChanges");
    await school.db.write((tx) => deleteUnfinished(tx, state?.changeId ?? ""));
    const workId = await givePractice(school, classId, [studentId]);
    if (state) await school.db.write((tx) => insertUnfinished(tx, state));
    return workId;
  }
});
