import "server-only";
import { type CrosswalkKind, standardsThrough } from "@/core/library/standardsThrough";
import type { Misconception } from "@/core/model/content";
import type { ScopeSubject } from "@/core/roster/classScope";
import {
  allFollowed,
  allFrameworks,
  allMisconceptions,
  allSkillLinks,
  allSkills,
  allSubjects,
  crosswalk,
  itemCounts,
  standardsOfSkills,
} from "@/db/queries/library";
import { LIBRARY_TABLES } from "@/db/queries/tableRevisions";
import { allUnits } from "@/db/queries/units";
import { kept } from "@/server/runtime/kept";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";

/** A standard as pages name it. */
export interface NamedStandard {
  readonly id: string;
  readonly frameworkId: string;
  readonly framework: string;
  readonly code: string;
  readonly statement: string;
  /** How a crosswalk leads there; null where the skill itself belongs to it. */
  readonly via: CrosswalkKind | null;
}

/** A skill with what it hangs on; its lesson and its items stand on a shelf of its own (`shelfOf`). */
export interface LibrarySkill {
  readonly id: string;
  readonly subjectId: string;
  readonly strand: string;
  /** The strand among those of all subjects. */
  readonly strandId: string;
  readonly name: string;
  readonly studentName: string;
  readonly grade: number;
  readonly difficulty: number;
  readonly standards: readonly NamedStandard[];
  readonly prerequisites: readonly string[];
  readonly contrasts: readonly string[];
  /** Skills that build directly on this one. */
  readonly unlocks: readonly string[];
  /** Items that can be given. */
  readonly items: number;
}

/** A unit with its skills in teaching order; what it tells is read with `unitById`. */
export type LibraryUnit = Awaited<ReturnType<typeof allUnits>>[number];

/** The catalogue of the library: every skill by its place, and every misconception; small enough to be kept whole. */
export class Library {
  private readonly byId: ReadonlyMap<string, LibrarySkill>;

  constructor(
    readonly subjects: readonly ScopeSubject[],
    /** In teaching order, with the standards of every framework. */
    readonly skills: readonly LibrarySkill[],
    readonly misconceptions: ReadonlyMap<string, Misconception>,
    /** Frameworks that schools follow instead of the adopted one, by school and subject. */
    private readonly followed: ReadonlyMap<string, string>,
    /** In teaching order. */
    readonly units: readonly LibraryUnit[],
  ) {
    this.byId = new Map(skills.map((skill) => [skill.id, skill]));
  }

  /** The subjects with the frameworks that a school follows in them. */
  subjectsAt(schoolId: string): ScopeSubject[] {
    return this.subjects.map((subject) => ({
      ...subject,
      frameworkId: this.followed.get(followKey(schoolId, subject.id)) ?? subject.frameworkId,
    }));
  }

  /** All skills, each with the standards that a school follows and no others. */
  skillsAt(schoolId: string): LibrarySkill[] {
    return this.skillsIn(this.subjectsAt(schoolId));
  }

  /** The skills of some subjects, each with the standards of the framework followed there and no others. */
  skillsIn(scope: readonly ScopeSubject[]): LibrarySkill[] {
    return this.skills.flatMap((skill) => {
      const own = scope.find(({ id }) => id === skill.subjectId);
      if (!own) return [];
      const standards = skill.standards.filter(({ frameworkId }) => frameworkId === own.frameworkId);
      return [{ ...skill, standards }];
    });
  }

  /** A skill by its id; null for one that the library does not hold any more. */
  skillIfKnown(id: string): LibrarySkill | null {
    return this.byId.get(id) ?? null;
  }

  skill(id: string): LibrarySkill {
    const found = this.byId.get(id);
    if (!found) throw new Refusal("not-found", "This skill is not known.");
    return found;
  }

  unit(id: string): LibraryUnit {
    const found = this.units.find((unit) => unit.id === id);
    if (!found) throw new Refusal("not-found", "This unit is not known.");
    return found;
  }

  /** A misconception's name for teachers; empty when the library does not hold it any more. */
  misconceptionName(id: string): string {
    return this.misconceptions.get(id)?.name ?? "";
  }
}

const followKey = (schoolId: string, subjectId: string): string => `${schoolId} ${subjectId}`;

const library = kept([...LIBRARY_TABLES], loadLibrary, 1);

/** The catalogue of a database's library. */
export const libraryOf = (runtime: Runtime): Promise<Library> => library(runtime, "");

async function loadLibrary(runtime: Runtime): Promise<Library> {
  const db = runtime.db.read;
  const [subjects, skills, links, misconceptions, standards, frameworks, counts, walk, followed, units] =
    await Promise.all([
      allSubjects(db),
      allSkills(db),
      allSkillLinks(db),
      allMisconceptions(db),
      standardsOfSkills(db),
      allFrameworks(db),
      itemCounts(db),
      crosswalk(db),
      allFollowed(db),
      allUnits(db),
    ]);
  const titles = new Map(frameworks.map(({ id, title }) => [id, title]));
  const ends = new Map(walk.ends.map((end) => [end.id, end]));
  const ties = walk.ties.flatMap(({ kind, ...tie }) => (kind === "precedes" ? [] : [{ ...tie, kind }]));
  const named = (
    { id, frameworkId, code, statement }: { id: string; frameworkId: string; code: string; statement: string },
    via: CrosswalkKind | null,
  ): NamedStandard => ({ id, frameworkId, framework: titles.get(frameworkId) ?? "", code, statement, via });
  const standardsOf = (own: typeof standards): NamedStandard[] => [
    ...own.map((standard) => named({ ...standard, id: standard.standardId }, null)),
    ...standardsThrough(
      own.map(({ standardId }) => standardId),
      ties,
    ).flatMap(({ id, via }) => {
      const end = ends.get(id);
      return end ? [named(end, via)] : [];
    }),
  ];
  const linked = (id: string, kind: "precedes" | "contrasts", own: "fromId" | "toId", other: "fromId" | "toId") =>
    links.filter((link) => link.kind === kind && link[own] === id).map((link) => link[other]);
  return new Library(
    subjects.map((subject) => ({
      ...subject,
      frameworkId:
        frameworks.find(({ subjectId, status }) => subjectId === subject.id && status === "adopted")?.id ?? null,
    })),
    skills.map((skill) => ({
      ...skill,
      strandId: `${skill.subjectId}/${skill.strand}`,
      standards: standardsOf(standards.filter(({ skillId }) => skillId === skill.id)),
      prerequisites: linked(skill.id, "precedes", "toId", "fromId"),
      contrasts: linked(skill.id, "contrasts", "fromId", "toId"),
      unlocks: linked(skill.id, "precedes", "fromId", "toId"),
      items: counts.find(({ skillId }) => skillId === skill.id)?.items ?? 0,
    })),
    new Map(misconceptions.map((entry) => [entry.id, entry])),
    new Map(followed.map(({ schoolId, subjectId, frameworkId }) => [followKey(schoolId, subjectId), frameworkId])),
    units,
  );
}
