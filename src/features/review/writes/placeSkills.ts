import "server-only";
import { array, object, string } from "yup";
import { REVIEW_PLACES } from "@/core/model/reviewSettings";
import { classScope } from "@/core/roster/classScope";
import { classesById } from "@/db/queries/people";
import { reviewSkillsOf } from "@/db/queries/review";
import { added, changed } from "@/db/queries/rowChanges";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import { demandInClass } from "./demandInClass";

const MOST = 500;
const input = object({
  classId: string().required(),
  /** Null for the whole class. */
  studentId: string().nullable().default(null),
  skillIds: array(string().required())
    .min(1, "Choose at least one skill.")
    .max(MOST, `Choose at most ${MOST} skills at once.`)
    .required(),
  place: string()
    .oneOf([...REVIEW_PLACES])
    .required(),
});

/** Takes skills into the review of a class or one student, lets them rest, or takes them out. What was shown in them stays. */
export async function placeReviewSkills(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { classId, studentId, skillIds, place } = validated(input, raw);
  const { runtime, actor } = context;
  return runtime.db.write(async (tx) => {
    await demandClasses(context, "change", [classId], tx);
    if (studentId !== null) await demandInClass(tx, context, classId, studentId);
    const [home] = await classesById(tx, [classId]);
    if (!home) throw new Refusal("not-found", "This class is not there any more.");
    const library = await libraryOf(runtime);
    const scope = new Map(
      library
        .skillsIn(classScope([home.subject], library.subjectsAt(home.schoolId)))
        .flatMap((skill) => (skill.items > 0 ? [[skill.id, skill] as const] : [])),
    );
    const chosen = [...new Set(skillIds)];
    if (chosen.some((id) => !scope.has(id)))
      throw new Refusal("not-found", "One of these skills has no items, or is not of this class’s subject.");
    const known = await reviewSkillsOf(tx, classId, studentId === null ? [] : [studentId]);
    const day = await todayOf(runtime, actor.schoolId);
    const rows = chosen.map((skillId) => {
      const row = known.find((one) => one.skillId === skillId && one.personId === studentId);
      return row
        ? changed("reviewSkills", row, { place, day })
        : added("reviewSkills", { id: runtime.newId(), classId, personId: studentId, skillId, place, day });
    });
    const [only] = chosen;
    const changeId = await recordChange(tx, context, {
      kind: "review-skills-placed",
      facts: {
        className: home.name,
        personId: studentId,
        place,
        skill: chosen.length === 1 && only ? (scope.get(only)?.name ?? null) : null,
        skills: chosen.length,
      },
      classId,
      subjectIds: studentId === null ? [] : [studentId],
      rows,
    });
    return { changeId };
  });
}
