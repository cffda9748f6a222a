import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import type { Gauge } from "@/core/mastery/gaugeOf";
import { gaugesOfStudent } from "@/core/mastery/gaugesOfStudent";
import { type ChoiceStanding, choiceStanding, worthChoosing } from "@/core/work/openToChoose";
import { openOwnPieces } from "@/db/queries/ownChoice";
import { classesOfStudent, personById } from "@/db/queries/people";
import { plansOf } from "@/db/queries/plan";
import type { Queryable } from "@/db/queryable";
import { knownOf } from "@/server/classroom/knownOf";
import { type Library, libraryOf } from "@/server/library/library";
import { shelfOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import type { OwnSkillsView, OwnSkillView } from "../ownTypes";

/** Named first, at most. */
const MOST_WORTH = 6;

/** What a student may choose by themselves: each skill that is open to them, by how it stands. */
export interface OwnSkills {
  readonly grade: number | null;
  readonly library: Library;
  readonly gauges: ReadonlyMap<string, Gauge>;
  readonly standings: ReadonlyMap<string, ChoiceStanding>;
}

/** Works out what the asking student may choose. Refused for anybody else. */
export async function ownSkillsOf(db: Queryable, { runtime, actor }: Context): Promise<OwnSkills> {
  if (actor.kind !== "student") throw new Refusal("not-allowed", "This page is for students.");
  const [person, library, school] = await Promise.all([
    personById(db, actor.personId),
    libraryOf(runtime),
    schoolOf(runtime, actor.schoolId),
  ]);
  const today = dayAt(school, runtime.now());
  const classes = await classesOfStudent(db, actor.personId, today);
  const entries = await plansOf(
    db,
    classes.map(({ id }) => id),
  );
  const taught = new Set(entries.filter(({ fromDay }) => fromDay <= today).map(({ skillId }) => skillId));
  const grade = person?.grade ?? classes[0]?.grade ?? null;
  const student = { grade, ...(await knownOf(db, [actor.personId]))(actor.personId) };
  const gauges = gaugesOfStudent(student, library.skills, dayNumber(today));
  const standings = new Map<string, ChoiceStanding>();
  for (const { id, prerequisites, items } of library.skills) {
    if (items === 0) continue;
    const under = prerequisites.map((one) => gauges.get(one)?.chance ?? 0);
    const standing = choiceStanding(gauges.get(id) as Gauge, { under, taught: taught.has(id) });
    if (standing !== null) standings.set(id, standing);
  }
  return { grade, library, gauges, standings };
}

/** The page on which a student chooses. */
export async function ownSkills(context: Context): Promise<OwnSkillsView> {
  const { grade, library, gauges, standings } = await ownSkillsOf(context.runtime.db.read, context);
  const open = library.skills.flatMap((skill) => {
    const standing = standings.get(skill.id);
    return standing ? [{ ...skill, standing, chance: gauges.get(skill.id)?.chance ?? 0 }] : [];
  });
  const line = ({ id, studentName, standing }: (typeof open)[number]) => ({ skillId: id, name: studentName, standing });
  const strandIds = [...new Set(open.map(({ strandId }) => strandId))];
  return {
    worth: worthChoosing(open, grade, MOST_WORTH).map(line),
    strands: strandIds.map((id) => {
      const own = open.filter(({ strandId }) => strandId === id);
      return { id, name: own[0]?.strand ?? "", skills: own.map(line) };
    }),
  };
}

/** One skill to read up on, to practise or to check. */
export async function ownSkill(context: Context, skillId: string): Promise<OwnSkillView> {
  const { runtime, actor } = context;
  const { library, standings } = await ownSkillsOf(runtime.db.read, context);
  const standing = standings.get(skillId);
  if (!standing) throw new Refusal("not-found", "This is not open to you yet. Choose something else.");
  const shelf = await shelfOf(runtime, skillId);
  const begun = await openOwnPieces(runtime.db.read, actor.personId, skillId);
  return {
    skillId,
    personId: actor.personId,
    name: library.skill(skillId).studentName,
    standing,
    lesson: shelf.lesson,
    model: shelf.teaching?.model ?? null,
    words: shelf.teaching?.first.words ?? [],
    begun: begun.map(({ assignmentId }) => assignmentId)[0] ?? null,
  };
}
