import "server-only";
import { type WindowFault, windowFault } from "@/core/work/workWindow";
import { studentsOfClasses } from "@/db/queries/people";
import { groupById, membersOfGroups } from "@/db/queries/regroup";
import { assignmentById } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { demandStaff } from "@/server/access/demand";
import { demandClasses, demandGroup } from "@/server/access/subjects";
import { type NewAssignment, type NewPart, workRows } from "@/server/classroom/workRows";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, instantAt, type School, schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import { giveInput, type PartInput } from "./giveInput";
import { placedItems } from "./placedItems";
import { soundParts } from "./soundParts";

const FAULTS: Readonly<Record<WindowFault, string>> = {
  "due-before-open": "The due time lies before the work opens. Choose a later day.",
  "closes-before-due": "It would close before it is due. Choose a later day for closing, or an earlier due day.",
  "closes-before-open": "It would close before it opens. Choose a later day for closing.",
};

/**
 * Gives new work to students of classes and groups, as one change. Sending the same ids again changes nothing.
 * Ids of parts are the browser's too, so that parts can name each other.
 */
export async function giveWork(
  context: Context,
  raw: unknown,
): Promise<{ readonly assignmentIds: readonly string[]; readonly changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const input = validated(giveInput, raw);
  const { runtime } = context;
  await demandClasses(
    context,
    "change",
    input.to.map(({ classId }) => classId),
  );
  const school = await schoolOf(runtime, staff.schoolId);
  const parts = await newParts(context, input.parts as readonly PartInput[]);
  const times = timesOf(school, runtime.now(), input);
  return runtime.db.write(async (tx) => {
    const [first] = input.to;
    const known = first ? await assignmentById(tx, first.assignmentId) : null;
    if (known) {
      if (known.givenBy !== staff.personId) throw new Refusal("conflict", "This work exists already.");
      return { assignmentIds: input.to.map(({ assignmentId }) => assignmentId), changeId: null };
    }
    const given: NewAssignment[] = [];
    let of = 0;
    for (const to of input.to) {
      const { there, all } = await studentsOf(tx, context, school, to);
      of += all;
      const { unlockCode, alternate, ...rules } = input.rules;
      given.push({
        id: to.assignmentId,
        classId: to.classId,
        groupId: to.groupId,
        ...(to.due === null ? times : timesOf(school, runtime.now(), { ...input, due: to.due })),
        ...rules,
        unlockCode: unlockCode === "" ? null : unlockCode,
        studentIds: there,
        forms: alternate ? formsOf(parts) : ["A"],
      });
    }
    const design = {
      id: input.workId,
      title: input.title,
      instructions: input.instructions,
      parts,
      keptAt: input.keep ? runtime.now() : null,
    };
    const students = given.reduce((sum, { studentIds }) => sum + studentIds.length, 0);
    const changeId = await recordChange(tx, context, {
      kind: input.rules.isPrepared ? "work-prepared" : "work-assigned",
      facts: { title: input.title, students, of },
      classId: first?.classId ?? null,
      rows: workRows(context, design, given),
    });
    return { assignmentIds: given.map(({ id }) => id), changeId };
  });
}

/** When a part opens on its day. */
const MORNING = "06:00";

/** Parts as rows hold them; what can't be is refused in words. */
export async function newParts(context: Context, parts: readonly PartInput[]): Promise<NewPart[]> {
  await soundParts(context, parts);
  const school = await schoolOf(context.runtime, context.actor.schoolId);
  return Promise.all(
    parts.map(async ({ id, kind, title, skillIds, settings, opening, items }): Promise<NewPart> => {
      const placed = await placedItems(context, kind, skillIds, items);
      const perForm = placed.filter(({ form }) => form === (placed[0]?.form ?? "A")).length;
      return {
        id,
        kind,
        title,
        skillIds,
        opening: opening.map((rule) =>
          "day" in rule ? { by: "day", at: instantAt(school, rule.day, MORNING) } : rule,
        ),
        settings: placed.length > 0 ? { ...settings, items: perForm } : settings,
        items: placed,
      };
    }),
  );
}

/** The letters of a test's forms. */
const formsOf = (parts: readonly NewPart[]): string[] => [
  ...new Set(parts.flatMap(({ items = [] }) => items.map(({ form = "A" }) => form))),
];

interface Moment {
  readonly day: string;
  readonly time: string;
}

/** When it opens, is due and closes; a beginning that is past is now. */
export function timesOf(
  school: School,
  now: number,
  { opens, due, closes }: { readonly opens: Moment; readonly due: Moment | null; readonly closes: Moment | null },
) {
  const at = ({ day, time }: Moment) => instantAt(school, day, time);
  const times = {
    opensAt: Math.max(now, at(opens)),
    dueAt: due && at(due),
    closesAt: closes && at(closes),
  };
  const fault = windowFault(times);
  if (fault) throw new Refusal("invalid", FAULTS[fault]);
  return times;
}

/** The students who are given it, all of whom must be in the class or the group, and how many there are. */
async function studentsOf(
  tx: Queryable,
  context: Context,
  school: School,
  to: { readonly classId: string; readonly groupId: string | null; readonly studentIds: readonly string[] },
) {
  const day = dayAt(school, context.runtime.now());
  const all =
    to.groupId === null
      ? (await studentsOfClasses(tx, [to.classId], day)).map(({ person }) => person.id)
      : await membersOf(tx, context, to.groupId, day);
  const there = all.filter((id) => to.studentIds.includes(id));
  if (there.length !== new Set(to.studentIds).size)
    throw new Refusal(
      "invalid",
      `Some of the ticked students are no longer in the ${to.groupId === null ? "class" : "group"}. Open the page again.`,
    );
  return { there, all: all.length };
}

async function membersOf(tx: Queryable, context: Context, groupId: string, day: string): Promise<string[]> {
  const group = await groupById(tx, groupId);
  if (!group || group.archivedAt !== null) throw new Refusal("not-found", "This group is not there, or was archived.");
  await demandGroup(context, "change", group, tx);
  const look = { day, viewerId: context.actor.personId };
  return (await membersOfGroups(tx, [groupId], look)).map(({ person }) => person.id);
}
