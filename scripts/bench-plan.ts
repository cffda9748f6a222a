import { planStudents } from "@/features/plan/reads/planStudents";
import { planView } from "@/features/plan/reads/planView";
import { changePlan } from "@/features/plan/writes/changePlan";
import { choosePlan } from "@/features/plan/writes/choosePlan";
import { libraryOf } from "@/server/library/library";
import { makeClass, testSchool } from "~/tests/support/school";
import { fillLog, sixtySkills } from "./bench-data";

const SLOTS = 40;
const STUDENTS = 30;
const SIZES = [1_000, 2_000_000] as const;
const ROUNDS = 26;
const WARM_UP = 5;

/** The plan page of 40 slots by 30 students, turn about in a school with few answers and in one with two million. */
export async function benchPlan(): Promise<void> {
  const schools = [];
  for (const answers of SIZES) {
    const school = await testSchool();
    await sixtySkills(school);
    const { classId, studentIds } = await makeClass(school, STUDENTS);
    await fillLog(school, studentIds, answers);
    const teacher = await school.teacher();
    const year = { subjectId: "mathematics", grade: 6, firstDay: "2026-09-14", weekdays: [1, 2, 3, 4, 5] };
    await choosePlan(teacher, { classIds: [classId], ...year });
    const planned = new Set(
      (await planView(teacher, classId)).slots.flatMap(({ skills }) => skills.map(({ id }) => id)),
    );
    const more = (await libraryOf(school.runtime)).skills.filter(({ id }) => !planned.has(id));
    const there = (await planView(teacher, classId)).slots.length;
    for (const skill of more.slice(0, SLOTS - there)) {
      const slot = { id: school.runtime.newId(), skillIds: [skill.id], lessons: 4 };
      await changePlan(teacher, { classIds: [classId], what: "insert", slot });
    }
    schools.push({ school, classId, times: [] as number[], places: [] as number[] });
  }
  for (let n = 0; n < ROUNDS; n++)
    for (const { school, classId, times, places } of schools) {
      // Each opening is a request of its own.
      const teacher = await school.teacher();
      const started = performance.now();
      const { slots } = await planView(teacher, classId);
      if (n >= WARM_UP) times.push(performance.now() - started);
      if (slots.length !== SLOTS) throw new Error(`The plan has ${slots.length} slots.`);
      const asked = performance.now();
      const { students } = await planStudents(teacher, classId);
      if (n >= WARM_UP) places.push(performance.now() - asked);
      if (students.length !== STUDENTS) throw new Error(`The plan has ${students.length} students.`);
    }
  for (const { school } of schools) school.close();
  tell(`Opening a plan, ${SLOTS} slots by ${STUDENTS} students`, ...medians(schools.map(({ times }) => times)));
  tell("Each student's place and what comes next", ...medians(schools.map(({ places }) => places)));
}

const medians = (all: readonly number[][]) =>
  all.map((times) => [...times].sort((x, y) => x - y)[Math.floor(times.length / 2)] ?? 0);

function tell(what: string, small = 0, large = 0): void {
  console.log(`\n${what}, median of ${ROUNDS - WARM_UP}`);
  console.log(`  with 1,000 answers        ${small.toFixed(1)} ms`);
  console.log(`  with 2,000,000 answers    ${large.toFixed(1)} ms   (aim 100 or less)`);
  console.log(`  ratio                     ${(large / small).toFixed(2)}   (aim 1.30 or less)`);
}
