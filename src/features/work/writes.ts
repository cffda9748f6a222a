import "server-only";
import { array, type InferType, number, object, string } from "yup";
import type { ItemBody } from "@/core/items/itemBody";
import type { NamedFacts } from "@/core/model/changeFacts";
import { CERTAINTIES, type WorkKind } from "@/core/model/work";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { currentVersions, itemsById, skillRowsOf } from "@/db/queries/items";
import { studentsOfClasses } from "@/db/queries/people";
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
import { demandBank } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { workRows } from "@/server/classroom/workRows";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, instantAt, schoolOf } from "@/server/runtime/school";
import { day, uuid, validated } from "@/server/runtime/validated";

/** Kinds of work that are given to a class; a check belongs to a reteach. */
const GIVEN_KINDS = ["practice", "amount"] as const satisfies readonly WorkKind[];

const MOST_PICKED = 40;
const draws = () =>
  array(
    object({
      itemId: string().required(),
      skillId: string().required(),
      seed: number().integer().min(0).max(1_000_000).required(),
    }),
  ).max(MOST_PICKED, `Pick at most ${MOST_PICKED} items.`);

const assignInput = object({
  /** Made by the browser, so that sending twice assigns once. */
  assignmentId: uuid(),
  /** How it ends: when the skills are mastered, or after a number of items. */
  kind: string().oneOf(GIVEN_KINDS).default("practice"),
  classId: string().required(),
  title: string()
    .trim()
    .min(1, "Give the work a title.")
    .max(80, "A title has at most 80 letters.")
    .required("Give the work a title."),
  instructions: string().trim().max(500, "Instructions have at most 500 letters.").defined(),
  skillIds: array(string().required())
    .min(1, "Choose at least one skill.")
    .max(6, "Choose at most six skills.")
    .required(),
  studentIds: array(string().required()).min(1, "Nobody is left: tick at least one student.").max(400).required(),
  opensDay: day(),
  dueDay: day(),
  dueTime: string()
    .matches(/^([01]\d|2[0-3]):[0-5]\d$/, "Write the time as 15:30.")
    .default("20:00"),
  /** Items that end it, or the most that may be spent. */
  items: number().integer().min(4, "Give at least 4 items.").max(40, "Give at most 40 items.").required(),
  /** How sure practice has to be that a skill is mastered. */
  certainty: string().oneOf(CERTAINTIES, "Choose how sure it has to be.").default("usual"),
  /** Draws picked by hand, the same for everybody; only for a fixed number of items. */
  picked: draws().optional(),
});

/** Gives work on some skills to students of a class. Sending the same id again changes nothing. */
export async function assignWork(
  context: Context,
  raw: unknown,
): Promise<{ assignmentId: string; changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const input = validated(assignInput, raw);
  await demandClasses(context, "change", [input.classId]);
  const { runtime } = context;
  const [school, library] = await Promise.all([schoolOf(runtime, staff.schoolId), libraryOf(runtime)]);
  const skills = input.skillIds.map((id) => library.skill(id));
  const opensAt =
    input.opensDay <= dayAt(school, runtime.now()) ? runtime.now() : instantAt(school, input.opensDay, "06:00");
  const dueAt = instantAt(school, input.dueDay, input.dueTime);
  const picked = await pickedItems(context, input.kind, input.picked ?? []);
  if (picked.some(({ skillId }) => !input.skillIds.includes(skillId))) throw notOfTheseSkills();
  if (dueAt <= opensAt) throw new Refusal("invalid", "The due time lies before the work opens. Choose a later day.");
  return runtime.db.write(async (tx) => {
    const known = await assignmentById(tx, input.assignmentId);
    if (known) {
      if (known.givenBy !== staff.personId) throw new Refusal("conflict", "This work exists already.");
      return { assignmentId: known.id, changeId: null };
    }
    const enrolled = await studentsOfClasses(tx, [input.classId], dayAt(school, runtime.now()));
    const students = enrolled.filter(({ person }) => input.studentIds.includes(person.id));
    if (students.length !== new Set(input.studentIds).size)
      throw new Refusal("invalid", "Some of the ticked students are no longer in the class. Open the page again.");
    const rows = workRows(context, {
      assignmentId: input.assignmentId,
      classId: input.classId,
      kind: input.kind,
      settings: {
        items: picked.length > 0 ? picked.length : input.items,
        ...(conductorOf(input.kind).endsWhenSure ? { certainty: input.certainty } : {}),
      },
      items: picked,
      title: input.title,
      instructions: input.instructions,
      opensAt,
      dueAt,
      skillIds: skills.map(({ id }) => id),
      studentIds: students.map(({ person }) => person.id),
    });
    return {
      assignmentId: input.assignmentId,
      changeId: await recordChange(tx, context, {
        kind: "work-assigned",
        facts: { title: input.title, students: students.length, of: enrolled.length },
        classId: input.classId,
        rows,
      }),
    };
  });
}

type Draw = NonNullable<InferType<typeof assignInput>["picked"]>[number];

/** The draws that were picked, as rows hold them; of any bank that the giver may use, as their current versions stand. */
async function pickedItems(context: Context, kind: WorkKind, picked: readonly Draw[]) {
  if (picked.length === 0) return [];
  if (!conductorOf(kind).pickable)
    throw new Refusal("invalid", "Items can be picked by hand only for a fixed number of items.");
  const db = context.runtime.db.read;
  const ids = [...new Set(picked.map(({ itemId }) => itemId))];
  const [items, versions, skills] = await Promise.all([
    itemsById(db, ids),
    currentVersions(db, ids),
    skillRowsOf(db, ids),
  ]);
  for (const bankId of new Set(items.map((item) => item.bankId))) await demandBank(context, "use", bankId, db);
  return picked.map(({ itemId, skillId, seed }) => {
    const version = versions.find((one) => one.itemId === itemId);
    const isThere = items.some(({ id, retiredAt }) => id === itemId && retiredAt === null);
    const isOfSkill = skills.some((row) => row.itemId === itemId && row.skillId === skillId);
    if (!version || !isThere || !isOfSkill) throw notOfTheseSkills();
    const contexts = Object.keys((version.body as ItemBody).contexts);
    return { versionId: version.id, skillId, seed, context: contexts[seed % contexts.length] ?? "" };
  });
}

const notOfTheseSkills = () =>
  new Refusal("invalid", "A picked item is not in the library any more, or belongs to none of these skills.");

const addInput = object({ assignmentId: string().required(), picked: draws().min(1).required() });

/**
 * Adds items to work whose items were picked by hand and that nobody has begun: everybody still gets the same. What is in it already is left
 * out.
 */
export async function addToWork(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { assignmentId, picked } = validated(addInput, raw);
  const { runtime } = context;
  const found = await assignmentById(runtime.db.read, assignmentId);
  if (!found || found.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
  await demandClasses(context, "change", [found.classId]);
  const items = await pickedItems(context, found.kind, picked);
  return runtime.db.write(async (tx) => {
    const [part, targets] = await Promise.all([firstPartOf(tx, found.workId), targetsWithSittings(tx, [assignmentId])]);
    if (!part) throw new Refusal("not-found", "This work is not there any more.");
    if (targets.some(({ sitting }) => sitting !== null))
      throw new Refusal(
        "conflict",
        "Somebody has begun this work, so it stays as it is. Give the items as work of their own.",
      );
    const [there, skillIds] = await Promise.all([pickedItemsOf(tx, part.id), skillIdsOfPart(tx, part.id)]);
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
        added("partItems", { id: runtime.newId(), partId: part.id, place: there.length + place, ...item }),
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
    return { values: { dueAt }, told: { kind: "work-due-moved", facts: { title: given.title, dueDay } } };
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

async function changeAssignment(
  context: Context,
  assignmentId: string,
  change: (given: GivenWork) => { values: Partial<AssignmentRow>; told: NamedFacts },
): Promise<{ changeId: string }> {
  return context.runtime.db.write(async (tx) => {
    const given = await assignmentById(tx, assignmentId);
    if (!given || given.withdrawnAt !== null)
      throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    await demandClasses(context, "change", [given.classId]);
    const { values, told } = change(given);
    const rows = [changed("assignments", given, values)];
    return { changeId: await recordChange(tx, context, { ...told, classId: given.classId, rows }) };
  });
}
