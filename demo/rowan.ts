import type { SchoolDay } from "@/core/calendar/dayNumber";
import { seededRandom } from "@/core/numeric/seededRandom";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { shareGroup } from "@/features/regroup/writes/groups";
import { makeGroups } from "@/features/regroup/writes/makeGroups";
import { keepOutsideScores } from "@/features/regroup/writes/outsideScores";
import { libraryOf } from "@/server/library/library";
import { todayOf } from "@/server/runtime/school";
import { type Simulation, staffContext, staffId } from "./simulation";

const TESTED = ["unit-rates", "multiplying-fractions"] as const;
const OUT_OF = 20;

/**
 * In 6 Rowan scores of a test in spring say where students begin in skills that they have not answered yet. Two of its students join three of
 * 6 Alder in a group that the specialist teaches with Noor.
 */
export async function beginRowan(simulation: Simulation, testDay: SchoolDay): Promise<void> {
  const { runtime } = simulation;
  const noor = await staffContext(simulation, "noor");
  const db = runtime.db.read;
  const classes = await classesById(db, noor.actor.classIds);
  const idOf = (wanted: string) => classes.find(({ name }) => name === wanted)?.id ?? "";
  const [alder, rowan] = [idOf("6 Alder"), idOf("6 Rowan")];
  const students = await studentsOfClasses(db, [alder, rowan], await todayOf(runtime, noor.actor.schoolId));
  const own = students.filter(({ classId }) => classId === rowan).map(({ person }) => person.id);
  const library = await libraryOf(runtime);
  const random = seededRandom("spring test of the valley");
  await keepOutsideScores(noor, {
    id: runtime.newId(),
    classIds: [rowan],
    title: "Spring test of the valley",
    onDay: testDay,
    columns: TESTED.map((id) => library.skill(id).strandId),
    rows: own.map((studentId) => {
      const level = 4 + Math.floor(random() * 11);
      const score = () => ({ score: Math.min(OUT_OF, level + Math.floor(random() * 6)), outOf: OUT_OF });
      return { studentId, scores: [score(), score()] };
    }),
  });
  const others = students.filter(({ classId }) => classId === alder).map(({ person }) => person.id);
  const groupId = runtime.newId();
  await makeGroups(noor, {
    classIds: [alder, rowan],
    groups: [
      {
        id: groupId,
        name: "Both sections, Thursday",
        skillId: "ratio-tables",
        studentIds: [...others.slice(6, 9), ...own.slice(0, 2)],
        slots: ["4-5"],
      },
    ],
  });
  // With the group made, Noor's rights are other ones.
  await shareGroup(await staffContext(simulation, "noor"), { groupId, personId: staffId("ife"), untilDay: null });
}
