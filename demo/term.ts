import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { isSchoolDay } from "@/core/calendar/isSchoolDay";
import { seededRandom } from "@/core/numeric/seededRandom";
import { fullName } from "@/core/roster/fullName";
import { studentsOfClasses } from "@/db/queries/people";
import { planOf } from "@/db/queries/plan";
import { reteachesOfGroups } from "@/db/queries/regroup";
import { itemsOfSitting, type SittingItemRow } from "@/db/queries/sittings";
import type { SittingChange } from "@/features/delivery/types";
import { giveHint } from "@/features/delivery/writes/giveHint";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { submitAnswer } from "@/features/delivery/writes/submitAnswer";
import { suggestions } from "@/features/regroup/reads/reteachGroups";
import { assignReteach, makeGroups } from "@/features/regroup/writes/reteachGroups";
import { assignWork } from "@/features/work/writes";
import { drawerOf, versionsOf } from "@/server/library/drawnItems";
import { libraryOf } from "@/server/library/library";
import { shelfOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { instantAt, todayOf } from "@/server/runtime/school";
import { LearnerMind } from "./learner";
import { sentResponse } from "./sentResponse";
import { type Simulation, schoolDayAfter, staffContext } from "./simulation";
import { learnerNamed } from "./stories";

interface Pupil {
  readonly id: string;
  readonly name: string;
  readonly classId: string;
  readonly mind: LearnerMind;
  readonly random: () => number;
}

interface Given {
  readonly assignmentId: string;
  readonly dueDay: number;
  readonly pupils: readonly Pupil[];
  /** Days on which each pupil sits down to it. */
  readonly days: ReadonlyMap<string, readonly number[]>;
}

interface Course {
  readonly firstDay: number;
  readonly lastDay: number;
  readonly teacher: Context;
  readonly progress: (share: number, what: string) => void;
}

/** School days that a practice is given. */
const PRACTICE_DAYS = 6;
const BUDGET = 12;

/** Ten weeks of lessons: practice on each skill of the plan as it comes, two reteach groups, some stretch work. */
export async function runTerm(simulation: Simulation, course: Course): Promise<void> {
  const { runtime, school, setNow } = simulation;
  const teacher = await staffContext(simulation, "noor");
  const pupils = await loadPupils(simulation, teacher.actor);
  const open: Given[] = [];
  const at = (day: number, time: string) => instantAt(school, dayOfNumber(day), time);
  const give = async (
    day: number,
    title: string,
    skillIds: readonly string[],
    to: readonly Pupil[],
    dueDay: number,
  ) => {
    const assignmentId = runtime.newId();
    await assignWork(teacher, {
      assignmentId,
      classId: to[0]?.classId,
      title,
      instructions: "Take your time; the hint is there to be used.",
      skillIds,
      studentIds: to.map(({ id }) => id),
      opensDay: dayOfNumber(day),
      dueDay: dayOfNumber(dueDay),
      items: skillIds.length > 1 ? BUDGET + 4 : BUDGET,
    });
    open.push(given(assignmentId, day, dueDay, to, simulation));
  };
  const library = await libraryOf(runtime);
  const reteachDay = schoolDayAfter(course.firstDay, 35, school);
  for (let day = course.firstDay; day <= course.lastDay; day++) {
    if (!isSchoolDay(day, school.calendar)) continue;
    course.progress((day - course.firstDay) / (course.lastDay - course.firstDay), dayOfNumber(day));
    for (const classId of teacher.actor.classIds) {
      setNow(at(day, "08:10"));
      const own = pupils.filter((pupil) => pupil.classId === classId);
      for (const entry of await planOf(runtime.db.read, classId)) {
        if (dayNumber(entry.fromDay) !== day) continue;
        for (const pupil of own) pupil.mind.teach(entry.skillId);
        await give(
          day,
          library.skill(entry.skillId).studentName,
          [entry.skillId],
          own,
          schoolDayAfter(day, PRACTICE_DAYS, school),
        );
      }
      if (day === schoolDayAfter(course.firstDay, 41, school)) {
        await give(
          day,
          "Mixed: what we did in autumn",
          ["equivalent-fractions", "fractions-of-amounts"],
          own,
          schoolDayAfter(day, 4, school),
        );
      }
      if (day === schoolDayAfter(course.firstDay, 24, school)) {
        const ahead = own.filter(({ mind }) => mind.learner.ability > 1.1);
        if (ahead.length > 0)
          await give(
            day,
            "A step further",
            ["ratio-tables", "proportional-or-not"],
            ahead,
            schoolDayAfter(day, 12, school),
          );
      }
    }
    if (day === reteachDay)
      await reteachSomebody(simulation, day, pupils, open, "equivalent-ratios", "Mixtures, Tuesday");
    if (day === schoolDayAfter(course.firstDay, 40, school))
      await reteachSomebody(simulation, day, pupils, open, "fractions-of-amounts", "Shares and parts", true);
    await workThrough(simulation, day, open);
  }
}

async function loadPupils(
  { runtime }: Simulation,
  { classIds, schoolId }: { readonly classIds: readonly string[]; readonly schoolId: string },
): Promise<Pupil[]> {
  const students = await studentsOfClasses(runtime.db.read, classIds, await todayOf(runtime, schoolId));
  return students.map(({ person, classId }) => {
    const name = fullName(person);
    const random = seededRandom(`mind ${name}`);
    return { id: person.id, name, classId, random, mind: new LearnerMind(learnerNamed(name), random) };
  });
}

function given(
  assignmentId: string,
  day: number,
  dueDay: number,
  pupils: readonly Pupil[],
  { school }: Simulation,
): Given {
  const between = Array.from({ length: dueDay - day + 1 }, (_, n) => day + n).filter((candidate) =>
    isSchoolDay(candidate, school.calendar),
  );
  const days = pupils.map((pupil) => {
    const present = between.filter(() => pupil.random() >= pupil.mind.learner.absence);
    const first = Math.floor(pupil.random() ** 1.6 * Math.min(4, present.length));
    return [pupil.id, present.slice(first, first + 2)] as const;
  });
  return { assignmentId, dueDay, pupils, days: new Map(days) };
}

/** Everybody who sits down to work that day goes on with what is open. */
async function workThrough(simulation: Simulation, day: number, open: Given[]): Promise<void> {
  for (let place = open.length - 1; place >= 0; place--) if ((open[place] as Given).dueDay < day) open.splice(place, 1);
  for (const work of open) {
    for (const [order, pupil] of work.pupils.entries()) {
      if (!work.days.get(pupil.id)?.includes(day)) continue;
      // The second day of a visit finishes what is left; the first may stop early.
      const items = work.days.get(pupil.id)?.at(-1) === day ? 20 : 5 + Math.floor(pupil.random() * 9);
      simulation.setNow(instantAt(simulation.school, dayOfNumber(day), "10:05") + order * 7000);
      await sit(simulation, work.assignmentId, pupil, day, items);
    }
  }
}

async function sit(
  simulation: Simulation,
  assignmentId: string,
  pupil: Pupil,
  day: number,
  mostItems: number,
): Promise<void> {
  const { runtime, school, setNow } = simulation;
  const context: Context = {
    runtime,
    actor: { kind: "student", personId: pupil.id, schoolId: school.id, name: pupil.name },
  };
  const shownItems = new Map<string, SittingItemRow>();
  let view: SittingChange = await openSitting(context, assignmentId);
  for (let done = 0; view.current && done < mostItems; ) {
    const { presentationId, tries } = view.current;
    if (!shownItems.has(presentationId))
      for (const item of await itemsOfSitting(runtime.db.read, view.sittingId)) shownItems.set(item.id, item);
    const shown = shownItems.get(presentationId);
    if (!shown) return;
    const { draw } = await drawerOf(runtime, [shown.versionId]);
    const version = (await versionsOf(runtime, [shown.versionId])).get(shown.versionId);
    if (!version) return;
    const item = draw(shown);
    const parameters = (await shelfOf(runtime, shown.skillId)).parametersOf(version, shown.seed);
    const answer = pupil.mind.answer(item, parameters, shown.skillId, day, tries + 1);
    if (answer.hintsUsed > 0 && view.current.hints > 0)
      await giveHint(context, { sittingId: view.sittingId, presentationId });
    setNow(runtime.now() + answer.milliseconds);
    const reply = await submitAnswer(context, {
      key: runtime.newId(),
      sittingId: view.sittingId,
      presentationId,
      tryNumber: tries + 1,
      response: sentResponse(item, answer.response),
      hintsUsed: answer.hintsUsed,
      milliseconds: answer.milliseconds,
      agoMilliseconds: 0,
      deviceClock: runtime.now(),
      offline: false,
    });
    if (reply.outcome.status === "not-counted") return;
    view = reply.sitting;
    if (view.current?.presentationId !== presentationId) done++;
  }
}

/** The teacher takes a suggested group for a skill, reteaches it, and gives practice and a check. */
async function reteachSomebody(
  simulation: Simulation,
  day: number,
  pupils: readonly Pupil[],
  open: Given[],
  skillId: string,
  name: string,
  checkLater = false,
): Promise<void> {
  const { runtime, school, setNow } = simulation;
  const teacher = await staffContext(simulation, "noor");
  const [classId = ""] = teacher.actor.classIds;
  setNow(instantAt(school, dayOfNumber(day), "11:30"));
  const limits = { slots: 6, smallest: 3, largest: 5, scope: "all", apart: [] } as const;
  const group = (await suggestions(teacher, [classId], limits)).groups.find(
    (candidate) => candidate.skillId === skillId,
  );
  if (!group) return;
  const groupId = runtime.newId();
  const studentIds = group.members.map(({ id }) => id);
  await makeGroups(teacher, { classIds: [classId], groups: [{ id: groupId, name, skillId, studentIds }] });
  const [practiceDue, checkDue] = [schoolDayAfter(day, 3, school), schoolDayAfter(day, checkLater ? 8 : 5, school)];
  await assignReteach(teacher, {
    groupId,
    reteachId: runtime.newId(),
    practiceDueDay: dayOfNumber(practiceDue),
    checkOpensDay: dayOfNumber(schoolDayAfter(day, 3, school)),
    checkDueDay: dayOfNumber(checkDue),
    checkItems: 4,
  });
  const [reteach] = await reteachesOfGroups(runtime.db.read, [groupId]);
  if (!reteach) return;
  const members = pupils.filter(({ id }) => studentIds.includes(id));
  for (const { mind } of members) mind.reteach(skillId, day);
  const all = (days: readonly number[]) => new Map(members.map(({ id }) => [id, days]));
  const [next, after] = [schoolDayAfter(day, 1, school), schoolDayAfter(day, 2, school)];
  open.push({ assignmentId: reteach.practiceId, dueDay: practiceDue, pupils: members, days: all([next, after]) });
  if (!checkLater)
    open.push({
      assignmentId: reteach.checkId,
      dueDay: checkDue,
      pupils: members,
      days: all([schoolDayAfter(day, 4, school)]),
    });
}
