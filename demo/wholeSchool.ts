import type { OneRosterPackage, OneRosterRow } from "@/formats/package/oneRosterPackage";
import { writeOneRoster } from "@/formats/package/writeOneRoster";
import { ALDER, parts, ROWAN } from "./names";

const TREES = ["Alder", "Rowan"] as const;
const GRADES = [3, 4, 5, 7, 8] as const;
const STUDENTS_A_CLASS = 22;

/** Teachers of the other grades; made-up names like all others. The last class has none on purpose. */
const TEACHERS = [
  "Solveig Tamboura",
  "Dmitri Halloran-Ek",
  "Pilar Oyelaran",
  "Hamish Vukovar",
  "Ngozi Lindqvist",
  "Aurelio Banjoko",
  "Signe Marchetti",
  "Tobias Rautavaara",
  "Ximena Doyle-Asante",
] as const;

/** The package with which the coordinator brings in the rest of the school: grades 3 to 8 without Noor Halvorsen's grade 6. */
export function wholeSchoolPackage(
  school: { id: string; name: string },
  term: { id: string; from: string; until: string; year: number },
): Uint8Array {
  const users: OneRosterRow[] = [];
  const roles: OneRosterRow[] = [];
  const classes: OneRosterRow[] = [];
  const enrollments: OneRosterRow[] = [];
  const person = (key: string, name: string, role: "teacher" | "student", more: OneRosterRow) => {
    users.push({ sourcedId: key, status: "active", enabledUser: "true", username: key, ...parts(name), ...more });
    roles.push({
      sourcedId: `${key}-r`,
      status: "active",
      userSourcedId: key,
      roleType: "primary",
      role,
      orgSourcedId: school.id,
    });
  };
  const enroll = (userSourcedId: string, classSourcedId: string, role: "teacher" | "student") =>
    enrollments.push({
      sourcedId: `${userSourcedId}-${classSourcedId}`,
      status: "active",
      classSourcedId,
      schoolSourcedId: school.id,
      userSourcedId,
      role,
      primary: role === "teacher" ? "true" : "",
    });
  TEACHERS.forEach((name, place) => {
    const { givenName } = parts(name);
    person(`kw-t${place}`, name, "teacher", { email: `${givenName.toLowerCase()}@kestrelweir.example` });
  });
  const families = [...ALDER, ...ROWAN].map((name) => parts(name).familyName);
  const givens = [...ROWAN, ...ALDER].map((name) => parts(name).givenName);
  GRADES.forEach((grade, row) => {
    TREES.forEach((tree, column) => {
      const place = row * TREES.length + column;
      const key = `kw-${grade}-${tree.toLowerCase()}`;
      const code = String(grade).padStart(2, "0");
      classes.push({
        sourcedId: key,
        status: "active",
        title: `${grade} ${tree}`,
        grades: code,
        courseSourcedId: "kw-math",
        classType: "homeroom",
        schoolSourcedId: school.id,
        termSourcedIds: term.id,
        subjects: "Mathematics",
      });
      if (place < TEACHERS.length) enroll(`kw-t${place}`, key, "teacher");
      for (let n = 0; n < STUDENTS_A_CLASS; n++) {
        const at = place * STUDENTS_A_CLASS + n;
        const student = `kw-s${at}`;
        // Steps without a common divisor with the lists pair every given name with many families before any pair returns.
        const name = `${givens[(at * 7) % givens.length]} ${families[(at * 11 + place * 3) % families.length]}`;
        // One child came up a year early.
        const own = at === 3 ? "04" : code;
        person(student, name, "student", { identifier: `KW${3000 + at}`, grades: own });
        // Two are waiting for a place.
        if (at !== 40 && at !== 95) enroll(student, key, "student");
      }
    });
  });
  const tables: OneRosterPackage["tables"] = {
    orgs: { mode: "delta", rows: [{ sourcedId: school.id, status: "active", name: school.name, type: "school" }] },
    academicSessions: {
      mode: "delta",
      rows: [
        {
          sourcedId: term.id,
          status: "active",
          title: "Autumn",
          type: "term",
          startDate: term.from,
          endDate: term.until,
          schoolYear: String(term.year),
        },
      ],
    },
    courses: {
      mode: "delta",
      rows: [
        {
          sourcedId: "kw-math",
          status: "active",
          title: "Mathematics",
          orgSourcedId: school.id,
          subjects: "Mathematics",
        },
      ],
    },
    classes: { mode: "delta", rows: classes },
    users: { mode: "delta", rows: users },
    roles: { mode: "delta", rows: roles },
    enrollments: { mode: "delta", rows: enrollments },
  };
  return writeOneRoster({ source: { systemName: "Kestrel Weir office", systemCode: "kw" }, tables });
}
