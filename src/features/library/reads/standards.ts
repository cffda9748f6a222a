import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { standardsThrough } from "@/core/library/standardsThrough";
import { allFrameworks, crosswalk, standardsOfFramework } from "@/db/queries/library";
import { demandStaff } from "@/server/access/demand";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { StandardsPageView } from "../types";

/** A framework's standards with their skills and what they are tied to elsewhere; the one that the school follows unless another is asked for. */
export async function standardsPage(
  { runtime, actor }: Context,
  frameworkId: string | null,
): Promise<StandardsPageView> {
  const { schoolId, coordinates } = demandStaff(actor);
  const db = runtime.db.read;
  const [all, library, walk] = await Promise.all([allFrameworks(db), libraryOf(runtime), crosswalk(db)]);
  const followed = new Set(library.subjectsAt(schoolId).flatMap((subject) => subject.frameworkId ?? []));
  const framework =
    frameworkId === null
      ? (all.find(({ id }) => followed.has(id)) ?? all[0])
      : all.find(({ id }) => id === frameworkId);
  if (!framework) throw new Refusal("not-found", "This framework is not in the library.");
  const rows = await standardsOfFramework(db, framework.id);
  const skills = library.skills.flatMap(({ id: skillId, name, standards }) =>
    standards.map(({ id, via }) => ({ standardId: id, skill: { id: skillId, name, via } })),
  );
  const byStandard = groupBy(skills, ({ standardId }) => standardId);
  const ends = new Map(walk.ends.map((end) => [end.id, end]));
  const ties = walk.ties.flatMap(({ kind, ...tie }) => (kind === "precedes" ? [] : [{ ...tie, kind }]));
  const tied = groupBy(
    ties.flatMap((tie) => [
      { at: tie.fromId, tie },
      { at: tie.toId, tie },
    ]),
    ({ at }) => at,
  );
  return {
    frameworks: all.map(({ id, title }) => ({ id, title })),
    framework: {
      id: framework.id,
      title: framework.title,
      version: framework.version,
      isFollowed: followed.has(framework.id),
      skills: library.skills.filter(({ standards }) => standards.some((one) => one.frameworkId === framework.id))
        .length,
      ofSkills: library.skills.filter(({ subjectId }) => subjectId === framework.subjectId).length,
    },
    mayManage: coordinates.includes(schoolId),
    standards: rows.map(({ id, parentId, type, code, statement, gradeLow, gradeHigh }) => ({
      id,
      parentId,
      type,
      code,
      statement,
      gradeLow,
      gradeHigh,
      skills: (byStandard.get(id) ?? []).map(({ skill }) => skill),
      ties: standardsThrough(
        [id],
        (tied.get(id) ?? []).map(({ tie }) => tie),
      ).flatMap(({ id: other, via }) => {
        const end = ends.get(other);
        return end ? [{ code: end.code, statement: end.statement, via }] : [];
      }),
    })),
  };
}
