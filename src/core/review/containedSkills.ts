/** What decides whether practice of one skill exercises another anyway. */
export interface ContainableSkill {
  readonly id: string;
  readonly prerequisites: readonly string[];
  readonly standards: readonly string[];
  readonly difficulty: number;
}

export interface Containment {
  readonly skillId: string;
  /** The skill whose review exercises it anyway. */
  readonly within: string;
  readonly because: "prerequisite" | "standards";
}

/** Steps of "builds on" over which practice above still exercises what lies below. */
const STEPS = 2;

/** Whether a skill's review reaches all whom another's reaches: what somebody is not asked exercises nothing for them. */
type Covers = (within: string, skillId: string) => boolean;

/**
 * Skills in review that another skill in review exercises anyway, so that they may rest: it is a prerequisite at most two
 * steps below the other, or all its standards are among those of a harder one. The nearest container is named, a
 * prerequisite before standards; of several as near, the easiest. A container that is itself contained still contains.
 * `skills`: all that are known, since the way down may lead over skills that are not in review.
 * @example containedSkills([{ id: "a", prerequisites: [], standards: ["s"], difficulty: 0 }, { id: "b", prerequisites: ["a"], standards: ["s"], difficulty: 1 }], new Set(["a", "b"])) // [{ skillId: "a", within: "b", because: "prerequisite" }]
 */
export function containedSkills(
  skills: readonly ContainableSkill[],
  inReview: ReadonlySet<string>,
  covers: Covers = () => true,
): Containment[] {
  const containerOf = containersAmong(skills);
  return skills.flatMap(({ id }) => (inReview.has(id) ? (containerOf(id, inReview, covers) ?? []) : []));
}

/**
 * The same for one skill after the other: what exercises it anyway, of some that may; null for nothing.
 * @example containersAmong([])("a", new Set(["b"])) // null
 */
export function containersAmong(skills: readonly ContainableSkill[]) {
  const byId = new Map(skills.map((skill) => [skill.id, skill]));
  const rising = [...skills].sort((x, y) => x.difficulty - y.difficulty || (x.id < y.id ? -1 : 1));
  return (id: string, candidates: ReadonlySet<string>, covers: Covers = () => true): Containment | null => {
    const skill = byId.get(id);
    if (!skill) return null;
    const others = rising.filter((other) => other.id !== id && candidates.has(other.id) && covers(other.id, id));
    const steps = (other: ContainableSkill) => stepsDown(other, id, byId);
    const above = others.filter((other) => steps(other) !== null);
    const nearest = above.sort((x, y) => (steps(x) ?? 0) - (steps(y) ?? 0))[0];
    if (nearest) return { skillId: id, within: nearest.id, because: "prerequisite" };
    const wider = others.find(
      (other) =>
        other.difficulty > skill.difficulty &&
        skill.standards.length > 0 &&
        skill.standards.every((standard) => other.standards.includes(standard)),
    );
    return wider ? { skillId: id, within: wider.id, because: "standards" } : null;
  };
}

/** Steps from a skill down to one it builds on, 1 to STEPS; null when it lies deeper or not below at all. */
function stepsDown(from: ContainableSkill, to: string, byId: ReadonlyMap<string, ContainableSkill>): number | null {
  let level: readonly string[] = from.prerequisites;
  for (let step = 1; step <= STEPS; step++) {
    if (level.includes(to)) return step;
    level = level.flatMap((id) => byId.get(id)?.prerequisites ?? []);
  }
  return null;
}
