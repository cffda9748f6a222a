import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { fullName } from "@/core/roster/fullName";
import { studentsOfClasses } from "@/db/queries/people";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { submitAnswer } from "@/features/delivery/writes/submitAnswer";
import { scoringView } from "@/features/scoring/reads/scoringView";
import { rateAnswer } from "@/features/scoring/writes/rateAnswer";
import { giveWork } from "@/features/work/writes/giveWork";
import { instantAt, todayOf } from "@/server/runtime/school";
import { onePart } from "./onePart";
import { type Simulation, schoolDayAfter, staffContext } from "./simulation";

/** What was written, and the points that Noor gave; null where she has not read it yet. */
const ANSWERS: readonly (readonly [string, readonly number[] | null])[] = [
  ["It is not. One person pays 4 but in a pair each pays 3.50, so it is cheaper each.", [1, 2]],
  ["Yes because the price goes up when more people go.", [0, 1]],
  ["No. If it was, two would pay 8.", [1, 2]],
  ["No because 4 and 7 are not the same.", null],
  ["It is proportional, 4 for one and then 3 more.", null],
  ["Not proportional: 4 ÷ 1 = 4 but 7 ÷ 2 = 3.5. It would have to be the same both times.", null],
  ["I think no", null],
  ["Its not because double the people should be double the coins and double 4 is 8 and not 7.", null],
  ["Yes, every ticket costs something.", null],
];

/** Work that a person scores, given yesterday: most have handed it in, and some of it is read. */
export async function writeInOwnWords(simulation: Simulation, itemId: string, day: number): Promise<void> {
  const { runtime, school, setNow } = simulation;
  const teacher = await staffContext(simulation, "noor");
  const [classId = ""] = teacher.actor.classIds;
  const now = runtime.now();
  const assignmentId = runtime.newId();
  setNow(instantAt(school, dayOfNumber(day), "08:40"));
  const students = await studentsOfClasses(runtime.db.read, [classId], await todayOf(runtime, school.id));
  await giveWork(
    teacher,
    onePart(runtime.newId, {
      assignmentId,
      classId,
      kind: "amount",
      title: "In your own words",
      instructions: "Write so that somebody who was not there understands it.",
      skillIds: ["proportional-or-not"],
      studentIds: students.map(({ person }) => person.id),
      opensDay: dayOfNumber(day),
      dueDay: dayOfNumber(schoolDayAfter(day, 3, school)),
      items: 4,
      picked: [{ itemId, skillId: "proportional-or-not", seed: 0 }],
    }),
  );
  for (const [place, [text]] of ANSWERS.entries()) {
    const person = students[place]?.person;
    if (!person) continue;
    setNow(instantAt(school, dayOfNumber(day), "10:40") + place * 40_000);
    const context = {
      runtime,
      actor: { kind: "student" as const, personId: person.id, schoolId: school.id, name: fullName(person) },
    };
    const view = await openSitting(context, assignmentId);
    await submitAnswer(context, {
      key: runtime.newId(),
      sittingId: view.sittingId,
      presentationId: view.current?.presentationId,
      tryNumber: 1,
      response: { a: { text } },
      hintsUsed: 0,
      milliseconds: 90_000 + 11_000 * place,
      agoMilliseconds: 0,
      deviceClock: runtime.now(),
      offline: false,
    });
  }
  setNow(instantAt(school, dayOfNumber(day), "16:20"));
  const { parts } = await scoringView(teacher, assignmentId);
  for (const { serial, text } of parts.flatMap(({ answers }) => answers)) {
    const points = ANSWERS.find(([written]) => written === text)?.[1];
    if (points) await rateAnswer(teacher, { key: runtime.newId(), answer: serial, part: "a", points });
  }
  setNow(now);
}
