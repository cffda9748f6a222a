import "server-only";
import { fullName } from "@/core/roster/fullName";
import { triedInSkill } from "@/db/queries/reteaches";
import type { Context } from "@/server/runtime/context";
import { dayWords } from "@/words/staff/dayWords";
import type { TriedView } from "../types";
import type { TheGroup } from "./theGroup";

/** What was tried with each member in the group's skill, by whom, when and with what result; whoever was taught nothing yet is left out. */
export async function triedViews({ runtime }: Context, { classroom, skill }: TheGroup): Promise<TriedView[]> {
  const rows = await triedInSkill(
    runtime.db.read,
    classroom.students.map(({ id }) => id),
    skill.id,
  );
  return classroom.students.flatMap(({ id, shortName }) => {
    const own = rows.filter((row) => row.own.personId === id);
    if (own.length === 0) return [];
    return [
      {
        id,
        name: shortName,
        tries: own.map(({ own: { there, verdict, chanceBefore, chanceAfter }, reteach, by }) => ({
          day: dayWords(reteach.assignedDay),
          approach: reteach.approach,
          by: by ? fullName(by) : null,
          there,
          verdict: verdict ?? "check-open",
          before: chanceBefore,
          after: chanceAfter,
        })),
      },
    ];
  });
}
