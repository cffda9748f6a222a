import "server-only";
import { array, object, string } from "yup";
import type { NamedFacts } from "@/core/model/changeFacts";
import { added, changed } from "@/db/queries/rowChanges";
import {
  type AssignmentRow,
  assignmentById,
  firstPartOf,
  type GivenWork,
  pickedItemsOf,
  skillIdsOfPart,
  targetsWithSittings,
} from "@/db/queries/work";
import { demandWork } from "@/server/access/workAccess";
import { renewEnds } from "@/server/classroom/renewEnds";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { instantAt, schoolOf } from "@/server/runtime/school";
import { day, validated } from "@/server/runtime/validated";
import { drawInput, MOST_PICKED } from "./giveInput";
import { placedItems } from "./placedItems";

const addInput = object({
  assignmentId: string().required(),
  picked: array(drawInput).min(1).max(MOST_PICKED, `Pick at most ${MOST_PICKED} items.`).required(),
});

/**
 * Adds items to work whose items were picked by hand and that nobody has begun: everybody still gets the same. What is in it already is left
 * out.
 */
export async function addToWork(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { assignmentId, picked } = validated(addInput, raw);
  const { runtime } = context;
  const found = await assignmentById(runtime.db.read, assignmentId);
  if (!found || found.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
  await demandWork(context, "change", found);
  const items = await placedItems(
    context,
    found.kind,
    picked.map(({ skillId }) => skillId),
    picked,
  );
  return runtime.db.write(async (tx) => {
    const [part, targets] = await Promise.all([firstPartOf(tx, found.workId), targetsWithSittings(tx, [assignmentId])]);
    if (!part) throw new Refusal("not-found", "This work is not there any more.");
    if (targets.some(({ sitting }) => sitting !== null))
      throw new Refusal(
        "conflict",
        "Somebody has begun this work, so it stays as it is. Give the items as work of their own.",
      );
    const [there, skillIds] = await Promise.all([pickedItemsOf(tx, part.id, null), skillIdsOfPart(tx, part.id)]);
    const fresh = items.filter(({ versionId }) => !there.some((one) => one.versionId === versionId));
    const total = there.length + fresh.length;
    if (there.length === 0)
      throw new Refusal("invalid", "The items of this work are drawn for each student, so none can be added by hand.");
    if (fresh.length === 0) throw new Refusal("conflict", "They are in this work already; nothing was changed.");
    if (total > MOST_PICKED)
      throw new Refusal("invalid", `Work has at most ${MOST_PICKED} items; this would be ${total}.`);
    const skills = [...new Set(fresh.map(({ skillId }) => skillId))].filter((id) => !skillIds.includes(id));
    const rows = [
      changed("parts", part, { settings: { ...part.settings, items: total } }),
      ...skills.map((skillId, place) =>
        added("partSkills", { id: runtime.newId(), partId: part.id, skillId, place: skillIds.length + place }),
      ),
      ...fresh.map((item, place) =>
        added("partItems", {
          id: runtime.newId(),
          partId: part.id,
          points: null,
          ...item,
          form: "A",
          place: there.length + place,
        }),
      ),
    ];
    const told = { kind: "work-items-added" as const, facts: { title: found.title, items: fresh.length } };
    return { changeId: await recordChange(tx, context, { ...told, classId: found.classId, rows }) };
  });
}

const dueInput = object({ assignmentId: string().required(), dueDay: day() });

/** Moves the due day; work that was over opens again when the new day lies ahead. */
export async function moveDueDay(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { assignmentId, dueDay } = validated(dueInput, raw);
  const school = await schoolOf(context.runtime, context.actor.schoolId);
  return changeAssignment(context, assignmentId, (given) => {
    const dueAt = instantAt(school, dueDay, "20:00");
    if (dueAt <= given.opensAt)
      throw new Refusal("invalid", "The due day lies before the work opens. Choose a later day.");
    // A day for late work that would lie before it goes along.
    const closesAt = given.closesAt === null ? null : Math.max(given.closesAt, dueAt);
    return { values: { dueAt, closesAt }, told: { kind: "work-due-moved", facts: { title: given.title, dueDay } } };
  });
}

/** Takes work off the students' lists. Answers given to it stay evidence. */
export async function withdrawWork(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { assignmentId } = validated(object({ assignmentId: string().required() }), raw);
  return changeAssignment(context, assignmentId, (given) => ({
    values: { withdrawnAt: context.runtime.now() },
    told: { kind: "work-withdrawn", facts: { title: given.title } },
  }));
}

/** Puts prepared work on the students' lists. */
export async function giveNow(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { assignmentId } = validated(object({ assignmentId: string().required() }), raw);
  return changeAssignment(context, assignmentId, (given) => {
    if (!given.isPrepared) throw new Refusal("conflict", "This work is given already.");
    return { values: { isPrepared: false }, told: { kind: "work-given", facts: { title: given.title } } };
  });
}

async function changeAssignment(
  context: Context,
  assignmentId: string,
  change: (given: GivenWork) => { values: Partial<AssignmentRow>; told: NamedFacts },
): Promise<{ changeId: string }> {
  return context.runtime.db.write(async (tx) => {
    const given = await assignmentById(tx, assignmentId);
    if (!given || given.withdrawnAt !== null)
      throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    await demandWork(context, "change", given);
    const { values, told } = change(given);
    const rows = [changed("assignments", given, values)];
    const changeId = await recordChange(tx, context, { ...told, classId: given.classId, rows });
    await renewEnds(tx, assignmentId);
    return { changeId };
  });
}
