import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { allFrameworks, skillsOfFramework, standardsOfFramework } from "@/db/queries/library";
import { demandStaff } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { StandardsPageView } from "../types";

/** A framework's standards with their skills; the first one unless another is asked for. */
export async function standardsPage(
  { runtime, actor }: Context,
  frameworkId: string | null,
): Promise<StandardsPageView> {
  demandStaff(actor);
  const db = runtime.db.read;
  const all = await allFrameworks(db);
  const framework = frameworkId === null ? all[0] : all.find(({ id }) => id === frameworkId);
  if (!framework) throw new Refusal("not-found", "This framework is not in the library.");
  const [rows, skills] = await Promise.all([
    standardsOfFramework(db, framework.id),
    skillsOfFramework(db, framework.id),
  ]);
  const byStandard = groupBy(skills, ({ standardId }) => standardId);
  return {
    frameworks: all.map(({ id, title }) => ({ id, title })),
    framework: { id: framework.id, title: framework.title, version: framework.version },
    standards: rows.map(({ id, parentId, type, code, statement, gradeLow, gradeHigh }) => ({
      id,
      parentId,
      type,
      code,
      statement,
      gradeLow,
      gradeHigh,
      skills: (byStandard.get(id) ?? []).map(({ skillId, name }) => ({ id: skillId, name })),
    })),
  };
}
