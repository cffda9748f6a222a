import { answerDrill } from "@/core/fluency/answerDrill";
import { factAnswer } from "@/core/fluency/factAnswer";
import { factFamilies } from "@/core/fluency/factFamilies";
import { factId } from "@/core/fluency/factId";
import { nextDrillFact } from "@/core/fluency/nextDrillFact";
import { startDrill } from "@/core/fluency/startDrill";
import { keepFactStates } from "@/db/queries/facts";
import type { KeptAttempt } from "@/db/schema/facts";
import { setGoal } from "@/features/delivery/writes/setGoal";
import { classFacts } from "@/features/facts/reads/classFacts";
import { factSession } from "@/features/facts/reads/ownFacts";
import { changeFactSettings } from "@/features/facts/writes/factSettings";
import { keepFacts } from "@/features/facts/writes/keepFacts";
import { makeClass, testSchool } from "~/tests/support/school";

const STUDENTS = 500;
const A_CLASS = 40;
const ANSWERS = 5;
const FACTS = factFamilies("multiply", 10).flatMap(({ facts }) => facts);
/** Day number of the bench's school. */
const DAY = 20_780;

/** Number facts: the next one in a drill, a session, a class's overview, and five answers each of five hundred students at once. */
export async function benchFacts(): Promise<void> {
  const school = await testSchool();
  const aClass = async (size: number, name: string) => {
    const made = await makeClass(school, size, name);
    await changeFactSettings(await school.teacher(), { classId: made.classId, on: true });
    return made;
  };
  const halves = [await aClass(STUDENTS / 2, "East"), await aClass(STUDENTS / 2, "West")];
  const studentIds = halves.flatMap((half) => half.studentIds);
  const small = await aClass(A_CLASS, "Forty");
  const [first = ""] = small.studentIds;
  const latest = Array.from({ length: 20 }, (_, n): KeptAttempt => [DAY - 20 + n, 1500, n % 7 === 0 ? 0 : 1]);
  for (const personId of small.studentIds)
    await school.db.write((tx) =>
      keepFactStates(
        tx,
        FACTS.map((fact) => ({ personId, fact: factId(fact), latest, attempts: latest.length })),
      ),
    );
  console.log("\nNumber facts");
  let drill = startDrill(FACTS.slice(0, 40).map(factId), FACTS.slice(40).map(factId));
  const steps = 20_000;
  let started = performance.now();
  for (let n = 0; n < steps; n++) drill = answerDrill(drill, nextDrillFact(drill) ?? "", n % 5 > 0);
  console.log(
    `  next fact of a drill of 121          ${((performance.now() - started) / steps).toFixed(4)} ms   (aim 5 ms)`,
  );
  const times = async (run: () => Promise<unknown>, count = 15) => {
    const all: number[] = [];
    for (let n = 0; n < count; n++) {
      const began = performance.now();
      await run();
      all.push(performance.now() - began);
    }
    return all.sort((x, y) => x - y)[Math.floor(count / 2)] ?? 0;
  };
  console.log(
    `  a session, 121 facts known           ${(await times(() => factSession(school.student(first)))).toFixed(1)} ms`,
  );
  const teacher = await school.teacher();
  console.log(
    `  overview of a class of 40            ${(await times(() => classFacts(teacher, small.classId), 7)).toFixed(0)} ms`,
  );
  started = performance.now();
  await Promise.all(studentIds.map((id, n) => setGoal(school.student(id), { daysAWeek: 1 + (n % 5) })));
  const plain = performance.now() - started;
  const ends: number[] = [];
  started = performance.now();
  await Promise.all(
    studentIds.map(async (id, n) => {
      const attempts = FACTS.slice(n % 100, (n % 100) + ANSWERS).map((fact) => ({
        key: school.runtime.newId(),
        kind: "drill" as const,
        fact: factId(fact),
        given: factAnswer(fact),
        milliseconds: 1800,
        agoMilliseconds: 0,
      }));
      await keepFacts(school.student(id), { attempts });
      ends.push(performance.now() - started);
    }),
  );
  const last = ends.at(-1) ?? 0;
  console.log(
    `  ${STUDENTS} students, ${ANSWERS} answers each, at once  ${last.toFixed(0)} ms, ${((STUDENTS * ANSWERS) / (last / 1000)).toFixed(0)} answers a second`,
  );
  console.log(`  to as many plain writes              ${(last / plain).toFixed(1)}`);
  school.close();
}
