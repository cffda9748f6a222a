import "server-only";
import { number, object, string } from "yup";
import type { PartSettings, WorkKind } from "@/core/model/work";
import { classScope } from "@/core/roster/classScope";
import { MOST_OF_SHORT_CHECK } from "@/core/selection/shortCheck";
import { openOwnPieces } from "@/db/queries/ownChoice";
import { classesOfStudent } from "@/db/queries/people";
import { applyRowChanges } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import { workRows } from "@/server/classroom/workRows";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import { enter } from "../reads/entered";
import { ownSkillsOf } from "../reads/ownSkills";
import { demandItsTurn } from "./demandOpen";
import { ITEMS_TO_MASTER } from "./itemsToMaster";

const input = object({
  skillId: string().required(),
  /** Until it is mastered, for a number of items, or a short check. */
  how: string().oneOf(["mastery", "amount", "check"]).required(),
  items: number().integer().min(3, "Choose 3 items or more.").max(30, "Choose at most 30 items.").default(10),
});

/** Begins what a student chose for themselves, or goes on with the same that they left open. It is evidence like any other work. */
export async function chooseOwn(context: Context, raw: unknown): Promise<{ readonly assignmentId: string }> {
  const { skillId, how, items } = validated(input, raw);
  const { runtime, actor } = context;
  return runtime.db.write(async (tx) => {
    const { library, standings } = await ownSkillsOf(tx, context);
    if (!standings.has(skillId)) throw new Refusal("not-found", "This is not open to you yet. Choose something else.");
    const { kind, settings } = partOf(how, items);
    const begun = await openOwnPieces(tx, actor.personId, skillId);
    const same = begun.find((piece) => piece.kind === kind && piece.settings.items === settings.items);
    const assignmentId = same?.assignmentId ?? runtime.newId();
    if (!same) {
      const skill = library.skill(skillId);
      const rows = workRows(
        context,
        { title: skill.studentName, instructions: "", parts: [{ kind, settings, skillIds: [skillId] }] },
        [
          {
            id: assignmentId,
            classId: await classFor(tx, context, skill.subjectId),
            opensAt: runtime.now(),
            dueAt: null,
            isOwnChoice: true,
            studentIds: [actor.personId],
          },
        ],
      );
      await applyRowChanges(tx, rows);
    }
    await demandItsTurn(tx, context, (await enter(tx, context, assignmentId)).work);
    return { assignmentId };
  });
}

function partOf(how: "mastery" | "amount" | "check", items: number): { kind: WorkKind; settings: PartSettings } {
  if (how === "mastery") return { kind: "practice", settings: { items: ITEMS_TO_MASTER, certainty: "usual" } };
  return how === "check"
    ? { kind: "sequential", settings: { items: MOST_OF_SHORT_CHECK } }
    : { kind: "amount", settings: { items } };
}

/** The class on which it hangs: one whose plan is of the subject, else any; whoever teaches it sees what was done. */
async function classFor(tx: Queryable, { runtime, actor }: Context, subjectId: string): Promise<string> {
  const school = await schoolOf(runtime, actor.schoolId);
  const own = await classesOfStudent(tx, actor.personId, dayAt(school, runtime.now()));
  const { subjects } = await libraryOf(runtime);
  const fitting = own.map(({ id, subject }) => ({ id, scope: classScope([subject], subjects) }));
  const taught = fitting.filter(({ scope }) => scope.some(({ id }) => id === subjectId));
  // A class of this subject alone before one that goes over everything.
  const [first = fitting[0]] = taught.sort((x, y) => x.scope.length - y.scope.length);
  if (!first) throw new Refusal("closed", "You are in no class at the moment. Ask at the school’s office.");
  return first.id;
}
