import "server-only";
import { currentEntry } from "@/core/calendar/currentEntry";
import { dayNumber } from "@/core/calendar/dayNumber";
import { readiness } from "@/core/grouping/readiness";
import { LEVEL_CUTS } from "@/core/model/levels";
import type { Classroom, ClassroomStudent } from "@/server/classroom/classroom";
import type { Library, LibrarySkill } from "@/server/library/library";
import type { SkillLine, StudentReportView } from "../../studentTypes";
import { gaugeView } from "../evidence";

/** Ready is who very likely has everything that a skill builds on. */
const READY_FROM = 0.7;
/** What is likely not there, though it is needed. */
const MISSING_BELOW = 0.6;
const MOST_READY = 8;
const MOST_MISSING = 8;

/** What a student has shown, is ready for, and lacks underneath what is being taught. */
export function skillLists(
  student: ClassroomStudent,
  { skills, today, plan }: Classroom,
  library: Library,
): Pick<StudentReportView, "shown" | "ready" | "missing"> {
  const day = dayNumber(today);
  const chances = new Map([...student.gauges].map(([id, { chance }]) => [id, chance]));
  const chanceOf = (id: string) => chances.get(id) ?? 0;
  const line = (skill: LibrarySkill): SkillLine => {
    const gauge = student.gauges.get(skill.id);
    if (!gauge) throw new Error(`${skill.id} has no gauge.`);
    return {
      id: skill.id,
      name: skill.name,
      grade: skill.grade,
      codes: skill.standards.map(({ code }) => code),
      gauge: gaugeView(gauge, day),
    };
  };
  const known = skills.filter(({ id }) => student.gauges.has(id));
  const isShown = ({ id }: LibrarySkill) => {
    const gauge = student.gauges.get(id);
    return gauge !== undefined && !gauge.tooLittle && gauge.chance >= LEVEL_CUTS.secure;
  };
  const planned = new Map(plan.map(({ skillId }, place) => [skillId, place]));
  const current = currentEntry(plan, today);
  return {
    shown: known
      .filter(isShown)
      .sort((x, y) => y.grade - x.grade || x.name.localeCompare(y.name))
      .map(line),
    ready: known
      .filter((skill) => !isShown(skill) && readiness(skill.prerequisites, chances) >= READY_FROM)
      .filter((skill) => student.grade === null || skill.grade >= student.grade - 1)
      .sort(
        (x, y) =>
          (planned.get(x.id) ?? Number.MAX_SAFE_INTEGER) - (planned.get(y.id) ?? Number.MAX_SAFE_INTEGER) ||
          x.grade - y.grade,
      )
      .slice(0, MOST_READY)
      .map(line),
    missing: current
      ? missingUnder(current.skillId, library, known, chanceOf)
          .slice(0, MOST_MISSING)
          .map((one) => ({ ...line(one.skill), under: one.under }))
      : [],
  };
}

/** Everything under a skill that is likely not there, the lowest grade first; each with the skill that needs it. */
function missingUnder(
  skillId: string,
  library: Library,
  known: readonly LibrarySkill[],
  chanceOf: (id: string) => number,
): { readonly skill: LibrarySkill; readonly under: string }[] {
  const found = new Map<string, { readonly skill: LibrarySkill; readonly under: string }>();
  const look = (id: string) => {
    for (const below of library.skillIfKnown(id)?.prerequisites ?? []) {
      const skill = known.find((one) => one.id === below);
      if (!skill || found.has(below) || chanceOf(below) >= MISSING_BELOW) continue;
      found.set(below, { skill, under: library.skillIfKnown(id)?.name ?? "" });
      look(below);
    }
  };
  look(skillId);
  return [...found.values()].sort((x, y) => x.skill.grade - y.skill.grade || x.skill.difficulty - y.skill.difficulty);
}
