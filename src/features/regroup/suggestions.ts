import "server-only";
import { format } from "date-fns";
import type { GroupProblem } from "@/core/grouping/groupProblem";
import { needOf } from "@/core/grouping/needOf";
import { planGroups } from "@/core/grouping/planGroups";
import { readiness } from "@/core/grouping/readiness";
import { LEVEL_CUTS } from "@/core/model/levels";
import { whyGroup } from "@/core/why/whyGroup";
import type { Classroom, ClassroomStudent } from "@/server/classroom/classroom";
import { percent } from "@/server/classroom/gap";
import type { Library, LibrarySkill } from "@/server/library/library";
import type { Runtime } from "@/server/runtime/runtime";
import type { Chip, Limits, SuggestedGroup, Suggestions } from "./types";

export interface Sign {
  readonly personId: string;
  readonly skillId: string;
  readonly misconceptionId: string;
  readonly times: number;
}

/** Weight from which a skill counts as near: past, taught now or next. */
const NEAR_WEIGHT = 0.7;
/** A skill that builds on gaps is not worth a group yet. */
const LEAST_READY = 0.3;
const LIMIT_SECONDS = 2;
/** Need given up for a group whose chances of mastery lie one whole closer together: one reteach cannot suit all. */
const SPREAD_PENALTY = 0.3;

/** Groups by need within the teacher's limits, each with its reason. */
export async function suggestGroups(
  runtime: Runtime,
  classroom: Classroom,
  library: Library,
  signs: readonly Sign[],
  limits: Limits,
): Promise<Suggestions> {
  const skills = classroom.skills.filter(
    ({ id }) => limits.scope === "all" || (classroom.weights.get(id) ?? 0) >= NEAR_WEIGHT,
  );
  const problem: GroupProblem = {
    studentIds: classroom.students.map(({ id }) => id),
    skillIds: skills.map(({ id }) => id),
    need: classroom.students.map((student) => skills.map((skill) => needFor(student, skill, classroom))),
    smallest: limits.smallest,
    largest: limits.largest,
    slots: limits.slots,
    keepApart: limits.apart,
    spread: {
      penalty: SPREAD_PENALTY,
      chances: classroom.students.map((student) => skills.map(({ id }) => student.gauges.get(id)?.chance ?? 0)),
    },
  };
  const plan = await planGroups(problem, runtime.solve, LIMIT_SECONDS);
  const grouped = new Set(plan.groups.flatMap(({ studentIds }) => studentIds));
  const brief = (student: ClassroomStudent) => ({ id: student.id, name: student.shortName });
  return {
    limits,
    quality: plan.quality,
    students: classroom.students.map(brief),
    notGrouped: classroom.students.filter(({ id }) => !grouped.has(id)).map(brief),
    groups: plan.groups.map((group): SuggestedGroup => {
      const skill = library.skill(group.skillId);
      const members = classroom.students.filter(({ id }) => group.studentIds.includes(id));
      const largestNeeds = members.map((member) =>
        Math.max(...skills.map((other) => needFor(member, other, classroom))),
      );
      return {
        skillId: skill.id,
        skillName: skill.name,
        grade: skill.grade,
        because: becauseLine(classroom, library, skill, members, signs),
        members: members.map((member) => chipOf(member, skill.id, library, signs)),
        needMet:
          group.needServed /
          Math.max(
            1e-9,
            largestNeeds.reduce((sum, need) => sum + need, 0),
          ),
        suggestedName: `${skill.name}, ${format(new Date(`${classroom.today}T12:00:00`), "d MMM")}`,
      };
    }),
  };
}

/** Need for a group: none for skills that are Secure, that nobody has seen the student try, or that build on gaps. */
function needFor(student: ClassroomStudent, skill: LibrarySkill, classroom: Classroom): number {
  const gauge = student.gauges.get(skill.id);
  if (!gauge || gauge.tooLittle || gauge.chance >= LEVEL_CUTS.secure) return 0;
  const ready = readinessOf(student, skill);
  return ready < LEAST_READY ? 0 : needOf(gauge.chance, ready, classroom.weights.get(skill.id) ?? 0);
}

const readinessOf = (student: ClassroomStudent, skill: LibrarySkill): number =>
  readiness(skill.prerequisites, new Map([...student.gauges].map(([id, { chance }]) => [id, chance])));

export function chipOf(student: ClassroomStudent, skillId: string, library: Library, signs: readonly Sign[]): Chip {
  const gauge = student.gauges.get(skillId);
  const own = signs
    .filter((sign) => sign.personId === student.id && sign.skillId === skillId)
    .sort((x, y) => y.times - x.times)[0];
  const misconception = own ? library.misconceptions.get(own.misconceptionId) : undefined;
  const tried = gauge ? `${gauge.rightFirstTries} of ${gauge.scoredAnswers} right` : "not met yet";
  return {
    id: student.id,
    name: student.shortName,
    chance: gauge?.chance ?? 0,
    level: gauge?.level ?? "beginning",
    tooLittle: gauge?.tooLittle ?? true,
    evidence:
      own && misconception
        ? `${misconception.name.toLowerCase()}, ${own.times === 1 ? "once" : `${own.times} times`}`
        : gauge?.tooLittle
          ? "few answers"
          : tried,
  };
}

/** One sentence with its numbers: the shared mistake, the range of chances, and what the gap is in the way of. */
export function becauseLine(
  classroom: Classroom,
  library: Library,
  skill: LibrarySkill,
  members: readonly ClassroomStudent[],
  signs: readonly Sign[],
): string {
  const why = whyGroup(
    members.map((member) => ({
      chance: member.gauges.get(skill.id)?.chance ?? 0,
      ready: readinessOf(member, skill),
      misconceptionIds: signs
        .filter((sign) => sign.skillId === skill.id && sign.personId === member.id)
        .map(({ misconceptionId }) => misconceptionId),
    })),
  );
  const parts: string[] = [];
  if (why.misconceptionId !== null)
    parts.push(
      `${why.shareMistake} of ${why.students} ${lowerFirst(library.misconceptions.get(why.misconceptionId)?.name ?? "")}`,
    );
  const [low, high] = [percent(why.lowest), percent(why.highest)];
  parts.push(`the chance of mastery is ${low === high ? low : `${low.replace(" %", "")} to ${high}`}`);
  const blocked = classroom.plan
    .filter(({ skillId, fromDay }) => skill.unlocks.includes(skillId) && fromDay > classroom.today)
    .sort((x, y) => x.fromDay.localeCompare(y.fromDay))[0];
  if (blocked)
    parts.push(
      `${library.skill(blocked.skillId).name}, planned from ${format(new Date(`${blocked.fromDay}T12:00:00`), "d MMM")}, builds on it`,
    );
  return `Because ${parts.length > 1 ? `${parts.slice(0, -1).join(", ")}, and ${parts.at(-1)}` : parts[0]}.`;
}

const lowerFirst = (text: string) => text.slice(0, 1).toLowerCase() + text.slice(1);
