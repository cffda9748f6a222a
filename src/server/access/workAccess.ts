import "server-only";
import { studentsOfClasses } from "@/db/queries/people";
import { personIdsOfAssignments } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import type { Context } from "@/server/runtime/context";
import { todayOf } from "@/server/runtime/school";
import { demand } from "./demand";
import { may } from "./policy";
import { classSubjects, groupSubjects } from "./subjects";

interface Given {
  readonly id: string;
  readonly classId: string;
  readonly groupId: string | null;
}

/** Whose runs of a piece of work somebody sees: everybody's, or only those of their own students. */
export type Sees = (personId: string) => boolean;

/**
 * Goes on only for those who have a piece of work before them: who may do so with its class; who teaches the group that it was given to; and, to
 * see it, who teaches a class that some of its students are in: a group over several classes takes nobody out of their own teacher's sight.
 */
export async function demandWork(
  context: Context,
  verb: "see" | "change",
  work: Given,
  db: Queryable = context.runtime.db.read,
): Promise<Sees> {
  const { actor, runtime } = context;
  const everybody = () => true;
  const [ofClass] = await classSubjects(db, actor, [work.classId]);
  if (ofClass && may(actor, verb, ofClass)) return everybody;
  if (work.groupId !== null && actor.kind === "staff") {
    const [ofGroup] = await groupSubjects(db, actor, [{ id: work.groupId, classId: work.classId }]);
    if (ofGroup && may(actor, verb, ofGroup)) return everybody;
    if (verb === "see") {
      const [own, given] = await Promise.all([
        studentsOfClasses(db, [...actor.classTies.keys()], await todayOf(runtime, actor.schoolId)),
        personIdsOfAssignments(db, [work.id]),
      ]);
      const ownIds = new Set(own.map(({ person }) => person.id));
      if (given.some(({ personId }) => ownIds.has(personId))) return (personId) => ownIds.has(personId);
    }
  }
  demand(actor, verb, ofClass ?? { kind: "class", classId: work.classId, schoolId: null });
  return everybody;
}
