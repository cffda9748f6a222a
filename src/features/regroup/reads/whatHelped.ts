import "server-only";
import { type JudgedReteach, whatHelped } from "@/core/grouping/whatHelped";
import { judgedInClasses } from "@/db/queries/reteaches";
import { demandClasses } from "@/server/access/subjects";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import type { HelpedView } from "../helpedTypes";

/** What tended to help with which mistake in some classes, with how many and how sure: students who were there and did the check. */
export async function whatHelpedIn(context: Context, classIds: readonly string[]): Promise<HelpedView> {
  await demandClasses(context, "see", classIds);
  const rows = await judgedInClasses(context.runtime.db.read, classIds);
  const library = await libraryOf(context.runtime);
  const judged = rows
    .filter(({ own }) => own.there !== false)
    .map(
      ({ own, reteach }): JudgedReteach => ({
        approach: reteach.approach,
        misconceptionId: reteach.misconceptionId,
        skillId: reteach.skillId,
        helped: own.verdict === "learned" || own.verdict === "closer",
      }),
    );
  const groups = new Set(rows.map(({ reteach }) => reteach.id));
  const worked = rows.filter(({ reteach }, place) => rows.findIndex((row) => row.reteach.id === reteach.id) === place);
  return {
    students: judged.length,
    rounds: groups.size,
    worked: worked.filter(({ reteach }) => reteach.worked === "worked").length,
    compared: worked.filter(({ reteach }) => reteach.worked !== null && reteach.worked !== "no-comparison").length,
    lines: whatHelped(judged).map((line) => ({
      ...line,
      skill: library.skillIfKnown(line.skillId)?.name ?? "",
      mistake: line.misconceptionId === null ? null : library.misconceptionName(line.misconceptionId),
    })),
  };
}
