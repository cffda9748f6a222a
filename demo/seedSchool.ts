import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { isSchoolDay } from "@/core/calendar/isSchoolDay";
import { seededRandom } from "@/core/numeric/seededRandom";
import { classesOfStaff, setSecret, studentsOfClasses } from "@/db/queries/people";
import { insertClassStaff, insertSchool } from "@/db/queries/school";
import { importPreview } from "@/features/roster/reads";
import type { SignInSlip } from "@/features/roster/types";
import { applyImport, beginImport } from "@/features/roster/writes/importRoster";
import { newPins } from "@/features/roster/writes/newPins";
import { hashSecret } from "@/server/access/secrets";
import { createRuntime, type Runtime } from "@/server/runtime/runtime";
import { dayAt, instantAt, type School, schoolOf } from "@/server/runtime/school";
import { installContent } from "./installContent";
import { ALDER, parts, ROWAN } from "./names";
import { type Simulation, staffContext, staffId } from "./simulation";
import { runTerm } from "./term";

/** Weeks of practice behind the demo's today. */
const WEEKS = 10;
const DEMO_PASSWORD = "the river comes round";

const DEMO_STAFF = [
  { key: "noor", givenName: "Noor", familyName: "Halvorsen", email: "noor@kestrelweir.example" },
  { key: "teo", givenName: "Teo", familyName: "Brandvold", email: "teo@kestrelweir.example" },
] as const;

/**
 * Fills an empty database with the demo school: two sections of grade 6 and ten weeks of practice that end the school day
 * before `base.now()`, all of it through the use-cases that the application itself calls. The same start day gives the same
 * school. Returns the sign-in slips.
 */
export async function seedSchool(
  base: Runtime,
  progress: (share: number, what: string) => void,
): Promise<SignInSlip[]> {
  let now = base.now();
  const runtime = createRuntime(base.db, () => now, seededRandom("kestrel weir"));
  progress(0, "school and library");
  const schoolId = runtime.newId();
  const timeZone = "Europe/Dublin";
  const today = dayNumber(dayAt({ timeZone }, base.now()));
  const monday = today - ((((today + 3) % 7) + 7) % 7);
  const start = monday - 7 * WEEKS;
  const breakStart = start + 7 * 6;
  await base.db.write((tx) =>
    insertSchool(tx, {
      school: { id: schoolId, name: "Kestrel Weir School", timeZone },
      term: {
        id: runtime.newId(),
        schoolId,
        name: "Autumn",
        startDay: dayOfNumber(start),
        endDay: dayOfNumber(start + 7 * 18),
      },
      holidays: Array.from({ length: 5 }, (_, n) => ({
        schoolId,
        day: dayOfNumber(breakStart + n),
        name: "River week",
      })),
      staff: DEMO_STAFF.map(({ key, givenName, familyName, email }) => ({
        id: staffId(key),
        schoolId,
        kind: "staff",
        givenName,
        familyName,
        email,
      })),
    }),
  );
  const secret = await hashSecret(DEMO_PASSWORD);
  for (const { key } of DEMO_STAFF) await base.db.write((tx) => setSecret(tx, staffId(key), secret));
  await installContent(runtime);
  const school = await schoolOf(runtime, schoolId);
  const simulation: Simulation = {
    runtime,
    school,
    setNow: (instant) => {
      now = instant;
    },
  };

  simulation.setNow(instantAt(school, dayOfNumber(start), "07:30"));
  progress(0.02, "rosters");
  await importClass(simulation, "6 Alder", ALDER, 1000);
  await importClass(simulation, "6 Rowan", ROWAN, 2000);
  const teacher = await staffContext(simulation, "noor");
  const [alder = ""] = teacher.actor.classIds;
  await base.db.write((tx) =>
    insertClassStaff(tx, { id: runtime.newId(), classId: alder, personId: staffId("teo"), role: "co-teacher" }),
  );
  const lastDay = lastSchoolDayBefore(today, school);
  await runTerm(simulation, {
    firstDay: start,
    lastDay,
    teacher,
    progress: (share, what) => progress(0.04 + 0.92 * share, what),
  });

  simulation.setNow(base.now());
  progress(0.97, "sign-in slips");
  const students = await studentsOfClasses(
    runtime.db.read,
    (await classesOfStaff(runtime.db.read, staffId("noor"))).map(({ id }) => id),
  );
  const slips = await newPins(await staffContext(simulation, "noor"), {
    studentIds: students.map(({ person }) => person.id),
  });
  progress(1, "done");
  return slips;
}

async function importClass(
  simulation: Simulation,
  className: string,
  names: readonly string[],
  firstNumber: number,
): Promise<void> {
  const context = await staffContext(simulation, "noor");
  const lines = names.map((name, place) => {
    const { givenName, familyName } = parts(name);
    return `KW${firstNumber + place},${givenName},${familyName},6`;
  });
  const bytes = new TextEncoder().encode(`Student number,Given name,Family name,Grade\n${lines.join("\n")}\n`);
  const draftId = await beginImport(context, {
    newClassName: className,
    newClassGrade: 6,
    fileName: `${className}.csv`,
    bytes,
  });
  const { fingerprint } = await importPreview(context, draftId);
  await applyImport(context, { draftId, fingerprint });
}

function lastSchoolDayBefore(day: number, school: School): number {
  let last = day - 1;
  while (!isSchoolDay(last, school.calendar)) last--;
  return last;
}
