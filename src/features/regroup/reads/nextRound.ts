import "server-only";
import { similarStudents } from "@/core/grouping/comparedChange";
import { nextApproach, type TriedApproach, triedInVain } from "@/core/grouping/nextApproach";
import type { Approach } from "@/core/model/reteach";
import { whyGroup } from "@/core/why/whyGroup";
import { beingRetaught } from "@/db/queries/reteaches";
import { type ClassroomStudent, loadClassroom } from "@/server/classroom/classroom";
import type { LibrarySkill } from "@/server/library/library";
import { shelfOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import type { GroupView, MemberView, TriedView } from "../types";
import { readinessOf } from "./suggest/needCells";
import type { TheGroup } from "./theGroup";
import { weakestUnder } from "./weakestUnder";

/** As far as answers show it: what a student was never seen to try underneath is no gap that one would step down to. */
const shownReadiness = (student: ClassroomStudent, skill: LibrarySkill): number =>
  readinessOf(student, {
    ...skill,
    prerequisites: skill.prerequisites.filter((id) => student.gauges.get(id)?.tooLittle === false),
  });

type NextStudent = GroupView["next"]["students"][number];

/** Why a member is to be taught next; null for those whom it helped, or whose check is still open. */
function whyNext({ taught, there, verdict }: MemberView, isOver: boolean): NextStudent["why"] | null {
  if (!taught) return "new";
  if (there === false) return "away";
  return verdict === "round-again" || (verdict === "check-open" && isOver) ? "again" : null;
}

/** Who is to be taught next, and how: everybody at first, then those whom it did not help and those who were away. */
export async function nextRound(
  context: Context,
  { group, skill, round, classroom, library, signs }: TheGroup,
  members: readonly MemberView[],
  tried: readonly TriedView[],
): Promise<GroupView["next"]> {
  const here = members.filter(({ left, explains }) => !left && !explains);
  const isOver = round !== null && round.judgedDay !== null;
  const students = here.flatMap((member): NextStudent[] => {
    const why = whyNext(member, isOver);
    return why ? [{ id: member.id, name: member.name, why }] : [];
  });
  const meant = classroom.students.filter(({ id }) => students.some((one) => one.id === id));
  const [shelf, lower] = [await shelfOf(context.runtime, skill.id), weakestUnder(meant, skill, library)];
  const available: Approach[] = [
    "things",
    ...(shelf.reteach.look.length > 0 ? (["own-answers"] as const) : []),
    ...(shelf.teaching?.model ? (["model"] as const) : []),
    ...(shelf.teaching ? (["steps"] as const) : []),
    ...(lower ? (["underneath"] as const) : []),
  ];
  const ids = meant.map(({ id }) => id);
  // Whoever was away was not taught that way.
  const before: TriedApproach[] = tried.flatMap(({ id, tries }) =>
    tries
      .filter(({ there }) => there !== false)
      .map(({ approach, verdict }) => ({
        personId: id,
        approach,
        helped: verdict === "check-open" ? null : verdict !== "round-again",
      })),
  );
  const why =
    meant.length === 0
      ? null
      : whyGroup(
          meant.map((student) => ({
            chance: student.gauges.get(skill.id)?.chance ?? 0,
            ready: readinessOf(student, skill),
            misconceptionIds: signs
              .filter((sign) => sign.skillId === skill.id && sign.personId === student.id)
              .map(({ misconceptionId }) => misconceptionId),
          })),
        );
  const ready = meant.reduce((sum, student) => sum + shownReadiness(student, skill), 0) / Math.max(1, meant.length);
  return {
    students,
    approach: nextApproach({
      available,
      studentIds: ids,
      tried: before,
      sharedMistake: why ? why.shareMistake / why.students : 0,
      ready: meant.length === 0 ? 1 : ready,
    }),
    approaches: available.map((approach) => ({ approach, inVain: triedInVain(before, approach, ids) })),
    lowerName: lower?.name ?? null,
    similar: await similarOutside(),
  };

  async function similarOutside(): Promise<number> {
    const home = await loadClassroom(context.runtime, group.schoolId, [group.classId]);
    const chance = (student: (typeof home.students)[number]) => student.gauges.get(skill.id)?.chance ?? 0;
    const others = home.students.filter(({ id }) => !members.some((member) => member.id === id));
    const retaught = await beingRetaught(
      context.runtime.db.read,
      others.map(({ id }) => id),
      skill.id,
    );
    const outside = others.filter(({ id }) => !retaught.has(id));
    return similarStudents(
      meant.map((student) => ({ chance: chance(student) })),
      outside.map((student) => ({ chance: chance(student) })),
    ).length;
  }
}
