import { dayNumber, type SchoolDay } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { isSchoolDay } from "@/core/calendar/isSchoolDay";
import { mondayOf } from "@/core/calendar/mondayOf";
import { NO_SUPPORTS } from "@/core/model/supports";
import { seededRandom } from "@/core/numeric/seededRandom";
import { setSecret, updateCredential } from "@/db/queries/credentials";
import { studentsOfClasses } from "@/db/queries/people";
import { applyRowChanges } from "@/db/queries/rowChanges";
import { insertClassStaff, insertSchool } from "@/db/queries/school";
import { classSettings } from "@/features/roster/reads/classSettings";
import { importState } from "@/features/roster/reads/importView";
import type { SignInSlip } from "@/features/roster/types";
import { endShare, makeClass, shareClass } from "@/features/roster/writes/classes";
import { applyImport, beginImport } from "@/features/roster/writes/importRoster";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { setSupports } from "@/features/roster/writes/supports";
import { hashSecret } from "@/server/access/secrets";
import { openClasses } from "@/server/access/subjects";
import { classPlanOf } from "@/server/plan/classPlan";
import { newSlot } from "@/server/plan/classSlot";
import { rowsOfPlan } from "@/server/plan/rowsOfPlan";
import type { Context } from "@/server/runtime/context";
import { createRuntime, type Runtime } from "@/server/runtime/runtime";
import { dayAt, instantAt, type School, schoolOf, todayOf } from "@/server/runtime/school";
import { fillBanks } from "./banks";
import { practiseFacts } from "./facts";
import { ALDER, parts, ROWAN } from "./names";
import { makeLanguageClass, otherClasses } from "./otherClasses";
import { writeInOwnWords } from "./ownWords";
import { fillPlans } from "./plans";
import { RATIO_STRAND } from "./ratioStrand";
import { beginRowan } from "./rowan";
import { installShippedContent } from "./shippedContent";
import { type Simulation, staffContext, staffId } from "./simulation";
import { runTerm } from "./term";
import { wholeSchoolPackage } from "./wholeSchool";

/** Weeks of practice behind the demo's today. */
const WEEKS = 10;
/** Lessons that Noor gives to each skill of the strand. */
const LESSONS_A_SKILL = 6;
const DEMO_PASSWORD = "the river comes round";
/** Days from a test in spring to the middle of the autumn term. */
const HALF_A_YEAR = 187;

const DEMO_STAFF = [
  { key: "noor", givenName: "Noor", familyName: "Halvorsen", email: "noor@kestrelweir.example" },
  { key: "teo", givenName: "Teo", familyName: "Brandvold", email: "teo@kestrelweir.example" },
  { key: "ife", givenName: "Ife", familyName: "Castellane", email: "ife@kestrelweir.example" },
  { key: "marguerite", givenName: "Marguerite", familyName: "Osei-Lund", email: "marguerite@kestrelweir.example" },
  { key: "bastien", givenName: "Bastien", familyName: "Korhola", email: "bastien@kestrelweir.example" },
] as const;
const DEMO_ROLES = {
  noor: "teacher",
  teo: "teacher",
  ife: "specialist",
  marguerite: "coordinator",
  bastien: "coordinator",
} as const;

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
  const runtime = createRuntime(base.db, () => now, seededRandom("kestrel weir"), base);
  progress(0, "school and library");
  const schoolId = runtime.newId();
  const timeZone = "Europe/Dublin";
  const today = dayNumber(dayAt({ timeZone }, base.now()));
  const monday = mondayOf(today);
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
      roles: DEMO_STAFF.map(({ key }) => ({
        id: `role-${key}`,
        personId: staffId(key),
        schoolId,
        role: DEMO_ROLES[key],
      })),
    }),
  );
  const secret = await hashSecret(DEMO_PASSWORD);
  for (const { key } of DEMO_STAFF) await base.db.write((tx) => setSecret(tx, staffId(key), secret, "password"));
  await installShippedContent(runtime);
  const school = await schoolOf(runtime, schoolId);
  const simulation: Simulation = {
    runtime,
    school,
    doors: createRuntime(base.db, () => now, seededRandom("kestrel weir doors"), base),
    cameIn: new Map(),
    setNow: (instant) => {
      now = instant;
    },
  };

  simulation.setNow(instantAt(school, dayOfNumber(start), "07:30"));
  progress(0.02, "rosters");
  await importClass(simulation, "6 Alder", ALDER, 1000);
  await importClass(simulation, "6 Rowan", ROWAN, 2000);
  const teacher = await staffContext(simulation, "noor");
  for (const classId of teacher.actor.classIds) await planTheStrand(simulation, classId, dayOfNumber(start));
  const [alder = ""] = teacher.actor.classIds;
  await base.db.write((tx) =>
    insertClassStaff(tx, { id: runtime.newId(), classId: alder, personId: staffId("teo"), role: "co-teacher" }),
  );
  await importWholeSchool(simulation, schoolId);
  const languageId = await makeLanguageClass(simulation, alder);
  const lastDay = lastSchoolDayBefore(today, school);
  await runTerm(simulation, {
    firstDay: start,
    lastDay,
    teacher,
    others: await otherClasses(simulation, languageId, lastDay),
    progress: (share, what) => progress(0.04 + 0.92 * share, what),
  });

  progress(0.96, "number facts");
  await practiseFacts(simulation, lastDay);
  simulation.setNow(base.now());
  progress(0.97, "sign-in slips");
  const noor = await staffContext(simulation, "noor");
  const students = await studentsOfClasses(
    runtime.db.read,
    noor.actor.classIds,
    await todayOf(runtime, noor.actor.schoolId),
  );
  const slips = await newSignIns(noor, { studentIds: students.map(({ person }) => person.id), cards: true });
  for (const [personId, at] of simulation.cameIn)
    await base.db.write((tx) => updateCredential(tx, personId, { lastSignInAt: at }));
  await settleRoster(
    simulation,
    students.map(({ person }) => person),
  );
  progress(0.99, "banks");
  const { ownWordsId } = await fillBanks(simulation, dayOfNumber(today + 14));
  await writeInOwnWords(simulation, ownWordsId, lastDay);
  await fillPlans(simulation, languageId);
  await beginRowan(simulation, dayOfNumber(today - HALF_A_YEAR));
  await base.db.write((tx) =>
    insertClassStaff(tx, { id: runtime.newId(), classId: languageId, personId: staffId("noor"), role: "teacher" }),
  );
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
  await applyWhenRead(context, draftId);
}

/** What Noor teaches this autumn: ratios, from what stands under them to what they lead to. */
async function planTheStrand({ runtime }: Simulation, classId: string, firstDay: SchoolDay): Promise<void> {
  await runtime.db.write(async (tx) => {
    const plan = await classPlanOf(tx, runtime, classId);
    const slots = RATIO_STRAND.map((skillId) =>
      newSlot({ id: runtime.newId(), kind: "skills", skillIds: [skillId], lessons: LESSONS_A_SKILL }),
    );
    await applyRowChanges(tx, rowsOfPlan(runtime, plan, { ...plan, firstDay, slots }));
  });
}

async function applyWhenRead(context: Context, draftId: string): Promise<void> {
  for (;;) {
    const state = await importState(context, draftId);
    if (state.state === "reading") continue;
    if (state.state !== "ready") throw new Error(`The demo's roster could not be read: ${JSON.stringify(state)}`);
    await applyImport(context, { draftId, fingerprint: state.view.fingerprint });
    return;
  }
}

/** The rest of the school, brought in by the coordinator as a package. */
async function importWholeSchool(simulation: Simulation, schoolId: string): Promise<void> {
  const context = await staffContext(simulation, "marguerite");
  const { school } = simulation;
  const [term] = school.terms;
  if (!term) throw new Error("The demo's school has no term.");
  const bytes = wholeSchoolPackage(
    { id: schoolId, name: school.name },
    { id: term.id, from: term.startDay, until: term.endDay, year: Number(term.endDay.slice(0, 4)) },
  );
  const draftId = await beginImport(context, { fileName: "kestrel-weir.zip", bytes });
  await applyWhenRead(context, draftId);
}

/** Supports of two students, and the specialist's own class across the grades. */
async function settleRoster(
  simulation: Simulation,
  students: readonly { readonly id: string; readonly givenName: string }[],
): Promise<void> {
  const noor = await staffContext(simulation, "noor");
  const idOf = (givenName: string) => students.find((student) => student.givenName === givenName)?.id ?? "";
  await setSupports(noor, { ...NO_SUPPORTS, studentId: idOf("Wen"), timeFactor: 1.5, homeLanguage: "Mandarin" });
  await setSupports(noor, { ...NO_SUPPORTS, studentId: idOf("Bashir"), readAloud: true, largerText: true });
  const marguerite = await staffContext(simulation, "marguerite");
  const all = await studentsOfClasses(
    simulation.runtime.db.read,
    (await openClasses(simulation.runtime.db.read, marguerite.actor)).map(({ id }) => id),
    await todayOf(simulation.runtime, marguerite.actor.schoolId),
  );
  const younger = all.filter(({ person }) => person.grade === 5).slice(0, 4);
  const { classId } = await makeClass(marguerite, {
    classId: simulation.runtime.newId(),
    name: "Number workshop",
    subject: "Mathematics",
    grade: 5,
    studentIds: [...younger.map(({ person }) => person.id), idOf("Omar"), idOf("Petra")],
  });
  // With the class made, its maker's rights are other ones.
  const maker = await staffContext(simulation, "marguerite");
  await shareClass(maker, { classId, personId: staffId("ife"), role: "teacher" });
  const { staff } = await classSettings(maker, classId);
  const own = staff.find(({ personId }) => personId === staffId("marguerite"));
  await endShare(maker, { classId, staffRowId: own?.rowId ?? "" });
}

function lastSchoolDayBefore(day: number, school: School): number {
  let last = day - 1;
  while (!isSchoolDay(last, school.calendar)) last--;
  return last;
}
