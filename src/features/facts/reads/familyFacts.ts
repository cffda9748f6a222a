import "server-only";
import { factFamilies, HIGHEST_OPERANDS } from "@/core/fluency/factFamilies";
import { factFluency } from "@/core/fluency/factFluency";
import { factId } from "@/core/fluency/factId";
import { factOfId } from "@/core/fluency/factOfId";
import { familiesOf } from "@/core/fluency/factSettings";
import { smallerPart } from "@/core/fluency/smallerPart";
import { OPERATIONS } from "@/core/model/factSettings";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { demandClasses } from "@/server/access/subjects";
import { fullNames } from "@/server/classroom/names";
import { factStandings } from "@/server/facts/factStanding";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import type { FamilyView } from "../types";

/** One family of facts for teaching it again: who lacks which of them, and what most lack. */
export async function familyFacts(context: Context, classId: string, familyId: string): Promise<FamilyView> {
  await demandClasses(context, "see", [classId]);
  const largest = Math.max(...HIGHEST_OPERANDS);
  if (!OPERATIONS.some((operation) => factFamilies(operation, largest).some(({ id }) => id === familyId)))
    throw new Refusal("not-found", "There is no such family of facts.");
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const today = await todayOf(runtime, actor.schoolId);
  const [[home], students] = await Promise.all([classesById(db, [classId]), studentsOfClasses(db, [classId], today)]);
  const people = students.map(({ person }) => person);
  const names = fullNames(people);
  const standings = await factStandings(
    db,
    classId,
    people.map(({ id }) => id),
  );
  const lacking = people.flatMap(({ id }): FamilyView["students"] => {
    const standing = standings.get(id);
    const family = standing
      ? familiesOf(standing.settings)
          .flat()
          .find((one) => one.id === familyId)
      : undefined;
    if (!standing?.on || !family || standing.attempts.size === 0) return [];
    const { attempts, limitOf } = standing;
    const facts = family.facts
      .filter((fact) => !factFluency(fact, attempts, limitOf).fluent)
      .sort((x, y) => smallerPart(y) - smallerPart(x))
      .map(factId);
    return facts.length === 0 ? [] : [{ id, name: names.get(id) ?? "", facts, of: family.facts.length }];
  });
  const counts = new Map<string, number>();
  for (const { facts } of lacking) for (const fact of facts) counts.set(fact, (counts.get(fact) ?? 0) + 1);
  return {
    classId,
    className: home?.name ?? "",
    familyId,
    students: lacking,
    facts: [...counts]
      .map(([id, students]) => ({ id, students }))
      .sort((x, y) => y.students - x.students || partOf(y.id) - partOf(x.id)),
  };
}

const partOf = (id: string): number => {
  const fact = factOfId(id);
  return fact ? smallerPart(fact) : 0;
};
