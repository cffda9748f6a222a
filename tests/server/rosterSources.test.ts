import { eq } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { setSecret } from "@/db/queries/credentials";
import { insertSchool } from "@/db/queries/school";
import { rosterDrafts } from "@/db/schema/history";
import { classes, people } from "@/db/schema/people";
import { planEntries } from "@/db/schema/plan";
import { scores } from "@/db/schema/sittings";
import { studentSheet } from "@/features/evidence/reads/evidence";
import { importProgress, importState } from "@/features/roster/reads/importView";
import { whoCanSee } from "@/features/roster/reads/studentRecord";
import { makeClass as makeOwnClass } from "@/features/roster/writes/classes";
import { applyImport, beginImport } from "@/features/roster/writes/importRoster";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { writeOneRoster } from "@/formats/package/writeOneRoster";
import { hashSecret } from "@/server/access/secrets";
import { signInStaff } from "@/server/access/signIn";
import { applyFile, packageOf, previewFile } from "../support/rosterFiles";
import {
  csv,
  fingerprintOf,
  give,
  givePractice,
  HERE,
  makeClass,
  open,
  PASSWORD,
  readyImport,
  type TestSchool,
  testSchool,
} from "../support/school";

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool();
});
afterEach(() => school.close());

/** A class of one teacher and three students, under ids such as some sources make them. */
function packageWithIds(idOf: (key: string) => string, without: readonly string[] = []) {
  const student = { given: "Ada", family: "Byrne", grade: 6, email: false, places: [0], end: "2027-01-22" };
  const made = packageOf({
    classes: [{ title: "6 Source", grade: 6, homeroom: false }],
    teachers: [{ given: "Tom", family: "Stone" }],
    students: [student, { ...student, given: "Bo" }, { ...student, given: "Cy" }],
  });
  const own = /^(s|t|c)\d/;
  const tables = Object.fromEntries(
    Object.entries(made.tables).map(([file, table]) => [
      file,
      {
        ...table,
        rows: (table?.rows ?? [])
          .map((row) =>
            Object.fromEntries(
              Object.entries(row).map(([column, value]) => [
                column,
                column.toLowerCase().includes("sourcedid") && own.test(value ?? "") ? idOf(value ?? "") : value,
              ]),
            ),
          )
          .filter((row) => !without.includes(row.sourcedId ?? "") && !without.includes(row.userSourcedId ?? "")),
      },
    ]),
  );
  return writeOneRoster({ ...made, tables } as typeof made);
}

describe("ids of a roster's source", () => {
  it.each([
    ["with a bar", (key: string) => `district|${key}`],
    ["that look like a number of ours", (key: string) => `number:${key}`],
    ["that look like a new class of ours", (key: string) => `new-class:${key}`],
  ])("%s are the source's: what it brought it may change and end", async (_, idOf) => {
    await applyFile(school, "in.zip", packageWithIds(idOf));
    const ids = (await school.db.read.select().from(people)).flatMap(({ sourcedId }) => sourcedId ?? []);
    expect(ids.sort()).toEqual(["s0", "s1", "s2", "t0"].map(idOf).sort());
    expect((await previewFile(school, "in.zip", packageWithIds(idOf))).firstPage.total).toBe(0);
    const { counts } = await previewFile(school, "in.zip", packageWithIds(idOf, [idOf("s1")]));
    expect(counts.users).toMatchObject({ inactive: 1, kept: 4 });
  });

  it("are not made of what a plain sheet makes up", async () => {
    await makeClass(school, 2);
    const rows = await school.db.read.select().from(people).where(eq(people.kind, "student"));
    expect(rows.map(({ sourcedId }) => sourcedId)).toEqual([null, null]);
    const [own] = await school.db.read.select().from(classes);
    expect(own?.sourcedId).toBeNull();
  });
});

describe("while a file is read", () => {
  it("the page asks how far it is, and neither the file nor the history is read for that", async () => {
    const context = await school.teacher("cora");
    const draftId = await beginImport(context, {
      wholeSchool: true,
      fileName: "in.zip",
      bytes: packageWithIds((key) => key),
    });
    await readyImport(context, draftId);
    const queries = school.watch();
    for (let n = 0; n < 5; n++) expect(await importProgress(context, draftId)).toEqual({ state: "ended" });
    expect(queries.length).toBeGreaterThan(0);
    for (const query of queries) {
      expect(query).not.toContain(`"${rosterDrafts.bytes.name}"`);
      expect(query).not.toContain('"changes"');
    }
    expect(await importState(context, draftId)).toMatchObject({ state: "ready" });
  });

  it("and is told of what is read, and of nothing else", async () => {
    const context = await school.teacher("cora");
    const rows = Array.from({ length: 20_000 }, (_, n) => `${n},Given${n},Family${n},6`).join("\n");
    const draftId = await beginImport(context, {
      wholeSchool: true,
      fileName: "in.csv",
      bytes: csv(`id,first,last,grade\n${rows}`),
    });
    const first = await importProgress(context, draftId);
    expect(first).toMatchObject({ state: "reading", what: expect.any(String) });
    expect(JSON.stringify(first).length).toBeLessThan(200);
    await expect(importProgress(await school.teacher("ben"), draftId)).rejects.toMatchObject({ code: "not-allowed" });
    await readyImport(context, draftId);
  });
});

describe("what is not known is not guessed", () => {
  const planned = () => school.db.read.select().from(planEntries);
  const firstClass = async (grade: number) => {
    const coordinator = await school.teacher("cora");
    const draftId = await beginImport(coordinator, {
      newClassName: "First",
      newClassGrade: grade,
      fileName: "first.csv",
      bytes: csv("id,first,last\n1,A,B"),
    });
    await applyImport(coordinator, { draftId, fingerprint: await fingerprintOf(coordinator, draftId) });
  };

  it.each([3, 8])("a coordinator's first class of grade %i gets no plan of ratios", async (grade) => {
    await firstClass(grade);
    expect(await planned()).toEqual([]);
  });

  it("a class of a grade with units gets its year, one without them what is up to a grade ahead", async () => {
    await firstClass(6);
    expect((await planned()).length).toBe(6);
    await makeOwnClass(await school.teacher(), {
      classId: school.runtime.newId(),
      name: "4 Own",
      subject: "Maths",
      grade: 4,
      studentIds: [],
    });
    // Two skills of grade 4, two of grade 5.
    expect((await planned()).length).toBe(6 + 4);
  });

  it("a subject that only sounds like mathematics gets no plan", async () => {
    await makeOwnClass(await school.teacher(), {
      classId: school.runtime.newId(),
      name: "History",
      subject: "Aftermath studies",
      grade: 6,
      studentIds: [],
    });
    expect(await planned()).toEqual([]);
  });

  it("a student's grade stays unknown, and the class's is what they work at", async () => {
    const { classId, studentIds } = await makeClass(school, 1, "4 Test", "ana", 4);
    const student = studentIds[0] as string;
    await school.db.write((tx) => tx.update(people).set({ grade: null }).where(eq(people.id, student)));
    const view = await open(school, student, await givePractice(school, classId, [student]));
    await give(school, student, view, "right");
    expect(await school.db.read.select({ grade: scores.grade }).from(scores)).toEqual([{ grade: 4 }]);
    expect((await studentSheet(await school.teacher(), student)).grade).toBeNull();
  });

  it("a class without a grade of its own has that of most of its students", async () => {
    const made = packageOf({
      classes: [{ title: "Morning", grade: 5, homeroom: false }],
      teachers: [],
      students: [3, 4, 4].map((grade, n) => ({
        given: `A${n}`,
        family: "B",
        grade,
        email: false,
        places: [0],
        end: "",
      })),
    });
    const rows = made.tables.classes?.rows.map(({ grades: _, ...row }) => row) ?? [];
    const tables = { ...made.tables, classes: { mode: "bulk" as const, rows } };
    await applyFile(school, "in.zip", writeOneRoster({ ...made, tables }));
    expect(await school.db.read.select({ grade: classes.grade }).from(classes)).toEqual([{ grade: 4 }]);
  });
});

describe("one address at two schools", () => {
  it("opens the desk at the school whose password was typed", async () => {
    const elsewhere = "school-2";
    await school.db.write(async (tx) => {
      await insertSchool(tx, {
        school: { id: elsewhere, name: "Other School", timeZone: "Europe/Dublin" },
        term: { id: "term-2", schoolId: elsewhere, name: "Autumn", startDay: "2026-09-14", endDay: "2027-01-22" },
        holidays: [],
        staff: [
          {
            id: "a-namesake",
            schoolId: elsewhere,
            kind: "staff",
            givenName: "Ana",
            familyName: "Elsewhere",
            email: "ana@school.example",
          },
        ],
      });
      await setSecret(tx, "a-namesake", await hashSecret("another one of the tests"), "password");
    });
    const enter = (password: string) => signInStaff(school.runtime, { email: "Ana@school.example", password }, HERE);
    expect(await enter(PASSWORD)).toMatchObject({ token: expect.any(String) });
    expect(await enter("another one of the tests")).toMatchObject({ token: expect.any(String) });
    expect(await enter(PASSWORD)).toMatchObject({ token: expect.any(String) });
    await expect(enter("neither of the two")).rejects.toMatchObject({ message: "Email or password is not right." });
  });
});

describe("many at once take no more reads than one", () => {
  it("of staff, for who can see a student", async () => {
    const { studentIds, classId } = await makeClass(school, 1);
    const count = async () => {
      const context = await school.teacher("cora");
      const queries = school.watch();
      const { people: who } = await whoCanSee(context, studentIds[0] as string);
      return { queries: queries.length, who: who.length };
    };
    const few = await count();
    const { classStaff } = await import("@/db/schema/people");
    await school.db.write(async (tx) => {
      for (let n = 0; n < 30; n++) {
        const id = `colleague-${n}`;
        const person = { schoolId: school.schoolId, kind: "staff" as const, givenName: "C", familyName: `${n}` };
        await tx.insert(people).values({ ...person, id });
        await tx.insert(classStaff).values({ id: `at-${n}`, classId, personId: id, role: "co-teacher" });
      }
    });
    const many = await count();
    expect(many.who).toBe(few.who + 30);
    expect(many.queries).toBeLessThanOrEqual(few.queries + 2);
  });

  it("of students, for new PINs", async () => {
    const one = await makeClass(school, 1, "6 One");
    const all = await makeClass(school, 25, "6 All");
    const count = async (studentIds: readonly string[]) => {
      const context = await school.teacher();
      const queries = school.watch();
      await newSignIns(context, { studentIds });
      return queries.filter((query) => !query.startsWith('insert into "change')).length;
    };
    expect(await count(all.studentIds)).toBeLessThanOrEqual((await count(one.studentIds)) + 2);
  });
});
