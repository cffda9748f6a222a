import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { LEVEL_CUTS } from "@/core/model/levels";
import { everAnswered, skillDaysOf } from "@/db/queries/summaries";
import { demandClasses } from "@/server/access/subjects";
import { type Classroom, loadClassroom } from "@/server/classroom/classroom";
import type { Context } from "@/server/runtime/context";
import type { AcrossSkill, AcrossUse, AcrossView } from "../../acrossTypes";
import type { Search } from "../../frame/frameParams";
import { type ReportFrame, wasMember } from "../frame";
import { testsOfFrame } from "../testsOfFrame";
import type { AcrossClasses } from "./acrossClasses";
import { testAcross } from "./acrossTest";
import { setAgainst } from "./setAgainst";

const MINUTE = 60_000;

/** A common test, standards and usage class by class: side by side, by name, and never as a ranking. */
export async function acrossReport(
  context: Context,
  { choices, choice }: Pick<AcrossClasses, "choices" | "choice">,
  frame: ReportFrame,
  search: Search,
): Promise<AcrossView> {
  const { runtime, actor } = context;
  await demandClasses(context, "see", frame.classIds);
  const [classroom, tests, use] = await Promise.all([
    loadClassroom(runtime, actor.schoolId, frame.classIds),
    testsOfFrame(runtime, frame),
    useOf(context, frame),
  ]);
  const common = tests.filter(
    (test) => new Set([...test.marks.keys()].map((id) => test.targets.get(id)?.classId)).size > 1,
  );
  const chosen = common.find(({ part }) => part.id === search.test) ?? common.at(-1);
  const depth = search.depth === "skills" ? "skills" : "standards";
  return {
    choices,
    choice,
    classes: frame.classes.map(({ id, name }) => ({ id, name })),
    tests: common.map(({ part, words }) => ({ partId: part.id, words })),
    test: chosen ? await testAcross(runtime, frame, chosen) : null,
    depth,
    skills: skillsOf(classroom, frame, depth),
    use,
  };
}

/** Per standard or skill the share of each class that is Secure today, of those of whom enough is known. */
function skillsOf(
  { students }: Classroom,
  { classes, skills, students: inSight }: ReportFrame,
  depth: AcrossView["depth"],
): AcrossSkill[] {
  const seen = new Set(inSight.map(({ id }) => id));
  const each = skills.flatMap((skill) => {
    const standards = depth === "standards" ? skill.standards : [];
    const none = [{ id: skill.id, code: depth === "skills" ? (skill.standards[0]?.code ?? "") : "", name: skill.name }];
    const named = standards.map(({ id, code, statement }) => ({ id, code, name: statement }));
    return (named.length > 0 ? named : none).map((one) => ({ ...one, skill }));
  });
  return [...groupBy(each, ({ id }) => id).values()].flatMap((own) => {
    const [first] = own as [(typeof own)[number]];
    const standing = students
      .filter(({ id }) => seen.has(id))
      .flatMap(({ id, shortName, classId, gauges }) => {
        const known = own.flatMap(({ skill }) => {
          const gauge = gauges.get(skill.id);
          return gauge && !gauge.tooLittle ? [gauge.chance] : [];
        });
        // Secure in a standard is who is Secure in each of its skills that something is known of.
        return known.length === 0
          ? []
          : [{ id, name: shortName, classId, has: known.every((chance) => chance >= LEVEL_CUTS.secure) }];
      });
    if (standing.length === 0) return [];
    return [
      {
        id: first.id,
        name: first.name,
        code: first.code,
        skillId: first.skill.id,
        classes: setAgainst(
          classes.map(({ id }) => id),
          standing,
        ),
      },
    ];
  });
}

/** How much each class worked in the frame's days, and of whom nothing is known. */
async function useOf({ runtime }: Context, frame: ReportFrame): Promise<AcrossUse[]> {
  const here = frame.students.filter(({ left }) => !left);
  const ids = here.map(({ id }) => id);
  const [days, ever] = await Promise.all([
    skillDaysOf(runtime.db.read, ids, frame.range.from),
    everAnswered(runtime.db.read, ids),
  ]);
  const skills = new Set(frame.skills.map(({ id }) => id));
  const daysOf = groupBy(
    days.filter(({ day, skillId }) => day <= frame.range.to && skills.has(skillId)),
    ({ personId }) => personId,
  );
  return frame.classes.map(({ id: classId }) => {
    const own = here.filter((student) => student.classId === classId);
    const done = own.map((student) => ({
      student,
      days: (daysOf.get(student.id) ?? []).filter(({ day }) => wasMember(student, day)),
    }));
    const all = done.flatMap(({ days: some }) => some);
    const named = ({ id, name }: (typeof own)[number]) => ({ id, name });
    const minutes = all.reduce((sum, { milliseconds }) => sum + milliseconds, 0) / MINUTE;
    return {
      classId,
      students: own.length,
      minutes: own.length === 0 ? 0 : Math.round(minutes / own.length),
      answers: all.reduce((sum, { answered }) => sum + answered, 0),
      quiet: done.filter(({ days: some }) => some.length === 0).map(({ student }) => named(student)),
      never: own.filter(({ id }) => !ever.has(id)).map(named),
    };
  });
}
