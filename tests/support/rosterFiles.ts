import fc from "fast-check";
import type { ImportView } from "@/features/roster/types";
import { applyImport, beginImport } from "@/features/roster/writes/importRoster";
import type { OneRosterPackage, OneRosterRow } from "@/formats/package/oneRosterPackage";
import { readyImport, type TestSchool } from "./school";

/** Names and cells with everything that files stumble over. */
export const awkward = fc.oneof(
  { weight: 6, arbitrary: fc.stringMatching(/^[A-Za-zÀ-ž][A-Za-zÀ-ž' -]{0,14}[a-z]$/) },
  {
    weight: 1,
    arbitrary: fc.constantFrom("Ann, Marie", 'Jo "Jo" K', "=cmd()", "-Ada", "@home", "Zoë", "李文", "O’Neil", "'x"),
  },
);

export interface RandomRoster {
  readonly classes: readonly { readonly title: string; readonly grade: number; readonly homeroom: boolean }[];
  readonly teachers: readonly { readonly given: string; readonly family: string }[];
  readonly students: readonly {
    readonly given: string;
    readonly family: string;
    readonly grade: number;
    readonly email: boolean;
    readonly places: readonly number[];
    /** Of the enrollments: with the term, in two days, some weeks ago, or not known. */
    readonly end: string;
  }[];
}

const name = awkward.map((text) => text.replace(/\s+/g, " ").trim());
export const randomRoster: fc.Arbitrary<RandomRoster> = fc.record({
  classes: fc.uniqueArray(fc.record({ title: name, grade: fc.integer({ min: 0, max: 12 }), homeroom: fc.boolean() }), {
    minLength: 1,
    maxLength: 4,
    selector: ({ title }) => title.toLowerCase(),
  }),
  teachers: fc.array(fc.record({ given: name, family: name }), { maxLength: 3 }),
  students: fc.array(
    fc.record({
      given: name,
      family: name,
      grade: fc.integer({ min: 0, max: 12 }),
      email: fc.boolean(),
      places: fc.uniqueArray(fc.nat(3), { maxLength: 3 }),
      end: fc.constantFrom("2027-01-22", "2026-11-25", "2026-11-01", ""),
    }),
    { minLength: 1, maxLength: 8 },
  ),
});

const code = (grade: number) => (grade === 0 ? "KG" : String(grade).padStart(2, "0"));

/** A random roster as a package of the standard, for the test school. */
export function packageOf(roster: RandomRoster, over: Partial<Record<string, string>> = {}): OneRosterPackage {
  const users: OneRosterRow[] = [];
  const roles: OneRosterRow[] = [];
  const enrollments: OneRosterRow[] = [];
  const person = (key: string, role: string, values: OneRosterRow) => {
    users.push({ sourcedId: key, status: "active", enabledUser: "true", username: key, ...values });
    roles.push({
      sourcedId: `${key}-r`,
      status: "active",
      userSourcedId: key,
      roleType: "primary",
      role,
      orgSourcedId: "school-1",
    });
  };
  const enroll = (userSourcedId: string, place: number, role: string, primary: string, endDate: string) => {
    if (place >= roster.classes.length) return;
    enrollments.push({
      sourcedId: `${userSourcedId}-${place}`,
      status: "active",
      classSourcedId: `c${place}`,
      schoolSourcedId: "school-1",
      userSourcedId,
      role,
      primary,
      beginDate: "2026-09-14",
      ...(endDate === "" ? {} : { endDate }),
    });
  };
  roster.teachers.forEach(({ given, family }, n) => {
    person(`t${n}`, "teacher", { givenName: given, familyName: family, email: `t${n}@school.example` });
    enroll(`t${n}`, n, "teacher", "true", "2027-01-22");
  });
  roster.students.forEach(({ given, family, grade, email, places, end }, n) => {
    person(`s${n}`, "student", {
      givenName: given,
      familyName: family,
      identifier: `N${n}`,
      grades: code(grade),
      middleName: "Kept",
      ...(email ? { email: `s${n}@school.example` } : {}),
    });
    for (const place of places) enroll(`s${n}`, place, "student", "", end);
  });
  const bulk = (rows: OneRosterRow[]) => ({ mode: "bulk" as const, rows });
  return {
    source: { systemName: "the office", systemCode: "o" },
    tables: {
      orgs: bulk([{ sourcedId: "school-1", status: "active", name: "Test School", type: "school" }]),
      academicSessions: bulk([
        {
          sourcedId: "term-1",
          status: "active",
          title: "Autumn",
          type: "term",
          startDate: "2026-09-14",
          endDate: "2027-01-22",
          schoolYear: "2027",
        },
      ]),
      courses: bulk([
        {
          sourcedId: "k1",
          status: "active",
          title: "Mathematics",
          orgSourcedId: "school-1",
          subjects: "Mathematics,Numbers",
          courseCode: "M1",
        },
      ]),
      classes: bulk(
        roster.classes.map(({ title, grade, homeroom }, n) => ({
          sourcedId: `c${n}`,
          status: "active",
          title,
          grades: `${code(grade)},12`,
          courseSourcedId: "k1",
          classType: homeroom ? "homeroom" : "scheduled",
          schoolSourcedId: "school-1",
          termSourcedIds: "term-1",
          subjects: "Mathematics",
          periods: "1,3",
          ...over,
        })),
      ),
      users: bulk(users),
      roles: bulk(roles),
      enrollments: bulk(enrollments),
    },
  };
}

/** Brings a file of the whole school in as a draft and waits until it is read. */
export async function previewFile(school: TestSchool, fileName: string, bytes: Uint8Array): Promise<ImportView> {
  const context = await school.teacher("cora");
  const draftId = await beginImport(context, { wholeSchool: true, fileName, bytes });
  return readyImport(context, draftId);
}

/** The same, and applies it; every warning is confirmed. */
export async function applyFile(school: TestSchool, fileName: string, bytes: Uint8Array): Promise<string> {
  const { draftId, fingerprint, warnings } = await previewFile(school, fileName, bytes);
  const context = await school.teacher("cora");
  const { changeId } = await applyImport(context, { draftId, fingerprint, confirmed: warnings.map(({ key }) => key) });
  return changeId;
}
