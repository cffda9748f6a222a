import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { isSchoolDay } from "@/core/calendar/isSchoolDay";
import { seededRandom } from "@/core/numeric/seededRandom";
import { fullName } from "@/core/roster/fullName";
import { studentsOfClasses } from "@/db/queries/people";
import { planOf } from "@/db/queries/plan";
import { reteachesOfGroups } from "@/db/queries/regroup";
import { comparedOfReteaches } from "@/db/queries/reteaches";
import { limitsFrom, USUAL_HABITS } from "@/features/regroup/limits";
import { suggestions } from "@/features/regroup/reads/suggest/suggestions";
import { assignReteach } from "@/features/regroup/writes/assignReteach";
import { judgeDue } from "@/features/regroup/writes/judgeDue";
import { notePresence } from "@/features/regroup/writes/lessonNotes";
import { makeGroups } from "@/features/regroup/writes/makeGroups";
import { giveWork } from "@/features/work/writes/giveWork";
import type { StaffActor } from "@/server/access/policy";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { instantAt, todayOf } from "@/server/runtime/school";
import { LearnerMind } from "./learner";
import { onePart } from "./onePart";
import { type Pupil, sit } from "./pupil";
import { ratioTests } from "./ratioTests";
import { dailyReview } from "./review";
import { type Simulation, schoolDayAfter, staffContext } from "./simulation";
import { learnerNamed } from "./stories";

interface Given {
  readonly assignmentId: string;
  readonly dueDay: number;
  readonly pupils: readonly Pupil[];
  /** Days on which each pupil sits down to it. */
  readonly days: ReadonlyMap<string, readonly number[]>;
}

/** Another class beside the teacher's own: it practises the skills of its plan that begin on a day or later. */
export interface OtherClass {
  readonly classId: string;
  readonly teacher: Context & { readonly actor: StaffActor };
  readonly fromDay: number;
}

interface Course {
  readonly firstDay: number;
  readonly lastDay: number;
  readonly teacher: Context;
  readonly others: readonly OtherClass[];
  readonly progress: (share: number, what: string) => void;
}

/** School days that a practice is given. */
const PRACTICE_DAYS = 6;
const BUDGET = 12;
const STORY_GRADE = 6;
const LOGITS_A_GRADE = 0.5;

/** Ten weeks of lessons: practice on each skill of the plan as it comes, two reteach groups, some stretch work. */
export async function runTerm(simulation: Simulation, course: Course): Promise<void> {
  const { runtime, school, setNow } = simulation;
  const teacher = await staffContext(simulation, "noor");
  const pupils = await loadPupils(simulation, teacher.actor);
  const others = await Promise.all(
    course.others.map(async (other) => {
      const classIds = [other.classId];
      const own = await loadPupils(simulation, { classIds, schoolId: teacher.actor.schoolId });
      return { ...other, pupils: own.map((pupil) => pupils.find(({ id }) => id === pupil.id) ?? pupil) };
    }),
  );
  const open: Given[] = [];
  const at = (day: number, time: string) => instantAt(school, dayOfNumber(day), time);
  const give = async (
    day: number,
    title: string,
    skillIds: readonly string[],
    to: readonly Pupil[],
    dueDay: number,
    by: Pick<OtherClass, "teacher" | "classId"> = { teacher, classId: to[0]?.classId ?? "" },
  ) => {
    const assignmentId = runtime.newId();
    await giveWork(
      by.teacher,
      onePart(runtime.newId, {
        assignmentId,
        classId: by.classId,
        title,
        instructions: "Take your time; the hint is there to be used.",
        skillIds,
        studentIds: to.map(({ id }) => id),
        opensDay: dayOfNumber(day),
        dueDay: dayOfNumber(dueDay),
        items: skillIds.length > 1 ? BUDGET + 4 : BUDGET,
      }),
    );
    open.push(given(assignmentId, day, dueDay, to, simulation));
  };
  const library = await libraryOf(runtime);
  const tests = ratioTests(simulation, teacher, pupils, course);
  const review = dailyReview(simulation, teacher, pupils, course);
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
    for (const other of others) {
      if (day < other.fromDay) continue;
      for (const { fromDay, skillId } of await planOf(runtime.db.read, other.classId)) {
        if (dayNumber(fromDay) !== day) continue;
        for (const { mind } of other.pupils) mind.teach(skillId);
        const dueDay = schoolDayAfter(day, PRACTICE_DAYS, school);
        await give(day, library.skill(skillId).studentName, [skillId], other.pupils, dueDay, other);
      }
    }
    if (day === reteachDay)
      await reteachSomebody(simulation, day, pupils, open, "equivalent-ratios", "Mixtures, Tuesday");
    if (day === schoolDayAfter(course.firstDay, 40, school))
      await reteachSomebody(simulation, day, pupils, open, "fractions-of-amounts", "Shares and parts", true);
    await workThrough(simulation, day, open);
    await tests.on(day);
    await review.on(day);
    await judgeDue(runtime);
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
    const learner = learnerNamed(name);
    // Stories are told in grade 6; everybody else stands where their grade does, and whoever bears the same name there has no story.
    const beyond = ((person.grade ?? STORY_GRADE) - STORY_GRADE) * LOGITS_A_GRADE;
    const mind = new LearnerMind({ ...learner, ability: learner.ability + beyond }, random);
    return { id: person.id, name, classId, random, mind, reads: seededRandom(`lessons ${name}`) };
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
  const limits = limitsFrom({ focus: `skill:${skillId}` }, { ...USUAL_HABITS, smallest: 3, largest: 5 });
  const group = (await suggestions(teacher, [classId], limits)).groups.find(
    (candidate) => candidate.skillId === skillId,
  );
  if (!group) return;
  const groupId = runtime.newId();
  const { studentIds } = group;
  const made = { id: groupId, name, skillId, studentIds, slots: [checkLater ? "3-2" : "2-2"] };
  await makeGroups(teacher, { classIds: [classId], groups: [made] });
  const [practiceDue, checkDue] = [schoolDayAfter(day, 3, school), schoolDayAfter(day, checkLater ? 8 : 5, school)];
  await assignReteach(teacher, {
    groupId,
    reteachId: runtime.newId(),
    practiceDueDay: dayOfNumber(practiceDue),
    checkOpensDay: dayOfNumber(schoolDayAfter(day, 3, school)),
    checkDueDay: dayOfNumber(checkDue),
    checkItems: 5,
  });
  const [reteach] = await reteachesOfGroups(runtime.db.read, [groupId]);
  if (!reteach) return;
  const members = pupils.filter(({ id }) => studentIds.includes(id));
  const presence = studentIds.map((studentId, place) => ({ studentId, there: !checkLater || place > 0 }));
  await notePresence(teacher, { reteachId: reteach.id, presence });
  for (const { id, mind } of members)
    if (presence.some(({ studentId, there }) => studentId === id && there)) mind.reteach(skillId, day);
  const compared = (await comparedOfReteaches(runtime.db.read, [reteach.id])).map(({ personId }) => personId);
  const checked = pupils.filter(({ id }) => studentIds.includes(id) || compared.includes(id));
  const all = (days: readonly number[]) => new Map(checked.map(({ id }) => [id, days]));
  const [next, after] = [schoolDayAfter(day, 1, school), schoolDayAfter(day, 2, school)];
  open.push({ assignmentId: reteach.practiceId, dueDay: practiceDue, pupils: members, days: all([next, after]) });
  if (!checkLater)
    open.push({
      assignmentId: reteach.checkId,
      dueDay: checkDue,
      pupils: checked,
      days: all([schoolDayAfter(day, 4, school)]),
    });
}
