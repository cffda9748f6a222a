import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { standardsOfFramework } from "@/db/queries/library";
import type { LibrarySkill } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import type { MapGroup, MapGrouping } from "../types";

type Standard = Awaited<ReturnType<typeof standardsOfFramework>>[number];

/** The ways in which the columns of a map may be gathered: by strands, and by each level of the standards from the top to the standard itself. */
export async function mapGroupings({ runtime }: Context, skills: readonly LibrarySkill[]): Promise<MapGrouping[]> {
  const frameworks = [...new Set(skills.flatMap(({ standards: [own] }) => own?.frameworkId ?? []))];
  const trees = await Promise.all(frameworks.map((id) => standardsOfFramework(runtime.db.read, id)));
  const byId = new Map(trees.flat().map((standard) => [standard.id, standard]));
  const paths = skills.map(({ standards: [own] }) => pathTo(own?.id, byId));
  const depth = Math.max(0, ...paths.map(({ length }) => length));
  const strands: MapGrouping = { key: "strand", name: "strand", groups: gathered(skills, strandOf) };
  // A level that gathers as the one above does says nothing new.
  const levels = Array.from({ length: depth }, (_, level): MapGrouping => {
    const at = (_skill: LibrarySkill, place: number) => standardAt(paths[place] ?? [], level);
    const name = paths.find((path) => path.length > level)?.[level]?.type || "standard";
    return { key: `level-${level}`, name, groups: gathered(skills, at) };
  });
  return [strands, ...levels].filter(
    ({ groups }, place, all) => place === 0 || partition(groups) !== partition(all[place - 1]?.groups ?? []),
  );
}

const strandOf = ({ strandId, strand }: LibrarySkill): Omit<MapGroup, "places"> => ({
  id: strandId,
  name: strand,
  title: strand,
});

/** The standard of a level above a skill; one that stands higher already stays as it is. */
function standardAt(path: readonly Standard[], level: number): Omit<MapGroup, "places"> {
  const standard = path[Math.min(level, path.length - 1)];
  return standard
    ? { id: standard.id, name: standard.code || standard.statement, title: standard.statement }
    : { id: "none", name: "no standard", title: "Skills that stand under no standard" };
}

function pathTo(id: string | undefined, byId: ReadonlyMap<string, Standard>): Standard[] {
  const path: Standard[] = [];
  for (let at = id ? byId.get(id) : undefined; at && !path.includes(at); at = byId.get(at.parentId ?? ""))
    path.unshift(at);
  return path;
}

function gathered(
  skills: readonly LibrarySkill[],
  of: (skill: LibrarySkill, place: number) => Omit<MapGroup, "places">,
): MapGroup[] {
  const each = skills.map((skill, place) => ({ place, group: of(skill, place) }));
  return [...groupBy(each, ({ group }) => group.id).values()].flatMap((own) =>
    own[0] ? [{ ...own[0].group, places: own.map(({ place }) => place) }] : [],
  );
}

const partition = (groups: readonly MapGroup[]): string => groups.map(({ places }) => places.join(",")).join(";");
