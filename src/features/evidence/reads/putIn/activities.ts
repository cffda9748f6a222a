import "server-only";
import { comparedChange } from "@/core/grouping/comparedChange";
import { mean } from "@/core/numeric/mean";
import { skillsOnDays } from "@/db/queries/summaries";
import type { Runtime } from "@/server/runtime/runtime";
import { ACTIVITIES, type Activity, type ActivityView, type PutInStudent } from "../../putInTypes";
import type { ReportFrame } from "../frame";

/** Fewer on a side tell nothing. */
const LEAST_A_SIDE = 5;

/**
 * What those who did something came to, against similar ones who did not: the change of the mean chance of mastery over the frame's days, in
 * the skills that each of them answered. It may have other reasons, and the page says so.
 */
export async function activitiesOf(
  runtime: Runtime,
  frame: ReportFrame,
  students: readonly PutInStudent[],
): Promise<ActivityView[]> {
  const begun = students.filter(({ answered }) => answered > 0);
  const rows = await skillsOnDays(
    runtime.db.read,
    begun.map(({ id }) => id),
    [frame.range.from - 1, frame.range.to],
  );
  const inSight = new Set(frame.skills.map(({ id }) => id));
  const chanceOn = (personId: string, on: number) => {
    const own = rows.filter((row) => row.personId === personId && row.on === on && inSight.has(row.skillId));
    return new Map(own.flatMap(({ skillId, mastery }) => (mastery === null ? [] : [[skillId, mastery] as const])));
  };
  const changes = new Map(
    begun.flatMap(({ id }) => {
      const [first, last] = [chanceOn(id, frame.range.from - 1), chanceOn(id, frame.range.to)];
      const both = [...last.keys()].filter((skillId) => first.has(skillId));
      if (both.length === 0) return [];
      const of = (chances: ReadonlyMap<string, number>) => mean(both.map((skillId) => chances.get(skillId) ?? 0));
      return [[id, { before: of(first), after: of(last) }] as const];
    }),
  );
  return ACTIVITIES.map((activity): ActivityView => {
    const did = begun.filter((student) => DID[activity](student));
    // Whoever missed nothing had no reason to look anything up.
    const didNot = begun.filter((student) => !DID[activity](student) && student.counts.misses > 0);
    const changeOf = (some: readonly PutInStudent[]) => some.flatMap(({ id }) => changes.get(id) ?? []);
    const [members, others] = [changeOf(did), changeOf(didNot)];
    const compared =
      members.length < LEAST_A_SIDE || others.length < LEAST_A_SIDE ? null : comparedChange(members, others);
    return {
      activity,
      did: did.length,
      didNot: didNot.length,
      compared: compared === null || "noEstimate" in compared ? null : compared,
      whoDidNot: didNot.map(({ id, name }) => ({ id, name })),
    };
  });
}

const DID: Readonly<Record<Activity, (student: PutInStudent) => boolean>> = {
  lesson: ({ counts }) => counts.lessonPartsOpened > 0,
  model: ({ models }) => models > 0,
  hints: ({ hints }) => hints > 0,
  "second-tries": ({ counts }) => counts.triedAgain > 0,
};
