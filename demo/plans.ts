import { classesById } from "@/db/queries/people";
import { slotsOfPlan } from "@/db/queries/plan";
import { changeSharedPlan } from "@/features/plan/writes/changeSharedPlan";
import { setNetworks } from "@/features/plan/writes/setNetworks";
import { setRunning } from "@/features/plan/writes/setRunning";
import { makePlan } from "@/features/plan/writes/sharedPlans";
import { type Simulation, staffContext } from "./simulation";

/** Networks that are nobody's own: whoever opens the demo from the same machine or house is at school. */
const PRIVATE_NETWORKS = ["127.0.0.0/8", "::1", "10.0.0.0/8", "172.16.0.0/12", "192.168.0.0/16"];

/**
 * The school's plan of the year in grade 6 and Noor's copy of it, with a change made since; and two plans that run by
 * themselves: mathematics in 6 Rowan with the class's dates, language in 6 Alder at each student's own pace.
 */
export async function fillPlans(simulation: Simulation, languageId: string): Promise<void> {
  const { runtime } = simulation;
  const [marguerite, noor] = [await staffContext(simulation, "marguerite"), await staffContext(simulation, "noor")];
  await setNetworks(marguerite, { networks: PRIVATE_NETWORKS });
  const [schoolId, ownId] = [runtime.newId(), runtime.newId()];
  const grade = { subjectId: "mathematics", grade: 6 };
  const name = "Mathematics 6 at Kestrel Weir";
  await makePlan(marguerite, { id: schoolId, name, ofSchool: true, isYear: true, ...grade });
  const [first] = await slotsOfPlan(runtime.db.read, schoolId);
  const test = { id: runtime.newId(), unitId: first?.unitId, moment: "end" };
  await changeSharedPlan(marguerite, { planId: schoolId, what: "insert", slot: test, place: 1 });
  await makePlan(noor, { id: ownId, name: "Grade 6, ratios first", planId: schoolId, ...grade });
  const [, , second, third] = await slotsOfPlan(runtime.db.read, schoolId);
  const longer = { what: "change", slotId: second?.id, values: { lessons: (second?.lessons ?? 0) + 3 } };
  await changeSharedPlan(marguerite, { planId: schoolId, ...longer });
  const week = { id: runtime.newId(), title: "Project week on the river" };
  await changeSharedPlan(marguerite, { planId: schoolId, what: "insert", slot: week, place: 3 });
  await changeSharedPlan(marguerite, {
    planId: schoolId,
    what: "change",
    slotId: third?.id,
    values: { whereAt: "school" },
  });
  const rowan = (await classesById(runtime.db.read, noor.actor.classIds)).find(
    ({ name: called }) => called === "6 Rowan",
  );
  await setRunning(noor, { classId: rowan?.id, runs: true, pace: "class" });
  await setRunning(await staffContext(simulation, "teo"), { classId: languageId, runs: true, pace: "own" });
}
