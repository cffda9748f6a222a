import "server-only";
import { array, object, string } from "yup";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { added, changed } from "@/db/queries/rowChanges";
import { assignmentById, type PartRow, partsOfWorks, pickedItemsOf, targetsWithSittings } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { demandWork } from "@/server/access/workAccess";
import { partsOfTargets } from "@/server/classroom/partsOfTargets";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { instantAt, schoolOf } from "@/server/runtime/school";
import { optionalDay, validated } from "@/server/runtime/validated";

const input = object({
  assignmentId: string().required(),
  partId: string().required(),
  studentIds: array(string().required()).min(1, "Choose somebody.").max(400).required(),
  /** The form with which they try again. */
  form: string().oneOf(["same", "other"]).required(),
  /** Opened again until the end of this day, where its time is over. */
  untilDay: optionalDay(),
});

/**
 * Gives some students who finished a part another try at it; what they did before stays. Which mark counts says the work's rule. Whoever has a further
 * try already, or is at the part still, is refused by name of the matter, and nothing is changed.
 */
export async function furtherTry(context: Context, raw: unknown): Promise<{ readonly changeId: string }> {
  const { assignmentId, partId, studentIds, form, untilDay } = validated(input, raw);
  const { runtime, actor } = context;
  const school = await schoolOf(runtime, actor.schoolId);
  return runtime.db.write(async (tx) => {
    const work = await assignmentById(tx, assignmentId);
    if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    await demandWork(context, "change", work, tx);
    const part = (await partsOfWorks(tx, [work.workId])).find(({ id }) => id === partId);
    if (!part) throw new Refusal("not-found", "This part is not there any more.");
    if (conductorOf(part.kind).onPaper)
      throw new Refusal("invalid", "A test on paper is done again on paper: type the new results in.");
    const own = (await targetsWithSittings(tx, [assignmentId]))
      .map(({ target }) => target)
      .filter(({ personId }) => studentIds.includes(personId));
    if (own.length !== new Set(studentIds).size)
      throw new Refusal("invalid", "Some of these students were not given this work. Open the page again.");
    const until = untilDay === null ? null : instantAt(school, untilDay, "20:00");
    if (until !== null && until <= runtime.now()) throw new Refusal("invalid", "This day is over. Choose a later day.");
    const standings = await partsOfTargets(
      tx,
      work,
      own.map(({ id }) => id),
      runtime.now(),
    );
    const forms = await formsOf(tx, part);
    const rows = own.flatMap((target): RowChange[] => {
      const at = standings.get(target.id)?.find((one) => one.part.id === partId);
      if (at?.again) throw new Refusal("conflict", "Somebody has another try already and has not finished it.");
      if (!at?.run || at.run.finishedAt === null)
        throw new Refusal("conflict", "Somebody has not finished the first try. Choose those who have.");
      return [
        added("furtherTries", {
          id: runtime.newId(),
          targetId: target.id,
          partId,
          attempt: at.run.attempt + 1,
          form: form === "other" ? after(target.form, forms) : target.form,
          grantedBy: actor.personId,
          at: runtime.now(),
        }),
        ...(until === null ? [] : [changed("assignmentTargets", target, { reopenedUntil: until })]),
      ];
    });
    const changeId = await recordChange(tx, context, {
      kind: "further-try-given",
      facts: {
        title: work.title,
        personId: own.length === 1 ? (own[0]?.personId ?? null) : null,
        students: own.length,
      },
      classId: work.classId,
      rows,
    });
    return { changeId };
  });
}

/** The letters of a part's forms. */
async function formsOf(tx: Queryable, { id }: PartRow): Promise<string[]> {
  const items = await pickedItemsOf(tx, id, null);
  return [...new Set(items.map(({ form }) => form))];
}

/** The form after another, round again; refused where there is but one. */
function after(form: string, forms: readonly string[]): string {
  if (forms.length < 2)
    throw new Refusal("invalid", "This work has one form only. Give the same items again, or give a second form.");
  return forms[(forms.indexOf(form) + 1) % forms.length] ?? form;
}
