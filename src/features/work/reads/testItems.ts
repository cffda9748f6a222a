import "server-only";
import { askedText } from "@/core/items/askedText";
import type { ItemVersion } from "@/core/items/itemBody";
import { beliefOn } from "@/core/mastery/beliefOn";
import { MASTERY_BOUNDARY } from "@/core/mastery/masteryBoundary";
import type { SkillBelief } from "@/core/mastery/skillBelief";
import { startingBelief } from "@/core/mastery/startingBelief";
import type { ItemParameters } from "@/core/measurement/item";
import { mean } from "@/core/numeric/mean";
import { sampleVariance } from "@/core/numeric/sampleVariance";
import { chanceOfRight } from "@/core/selection/chanceOfRight";
import { studentsOfClasses } from "@/db/queries/people";
import { knownOf } from "@/server/classroom/knownOf";
import { type Drawer, drawerWith } from "@/server/library/drawnItems";
import { faceOf } from "@/server/library/faceOf";
import { secondsFor } from "@/server/library/itemSeconds";
import { type Library, libraryOf } from "@/server/library/library";
import { passagesOf } from "@/server/library/passages";
import type { Runtime } from "@/server/runtime/runtime";
import { cardKindWords } from "@/words/staff/itemWords";
import type { GroupAbility, TestItem } from "../testTypes";

/** A draw of a version, with what it is worth to a test. */
export interface Candidate {
  readonly id: string;
  readonly version: ItemVersion;
  readonly skillId: string;
  readonly seed: number;
  readonly parameters: ItemParameters;
}

/** The name of a draw while a test is built. */
export const drawId = (itemId: string, seed: number): string => `${itemId}#${seed}`;

/** What is believed today of every student of a class in some skills. */
export interface ClassBeliefs {
  readonly library: Library;
  readonly of: (skillId: string) => readonly SkillBelief[];
}

export async function classBeliefs(
  runtime: Runtime,
  {
    classId,
    grade,
    today,
    day,
  }: { readonly classId: string; readonly grade: number; readonly today: string; readonly day: number },
): Promise<ClassBeliefs> {
  const [library, students] = await Promise.all([
    libraryOf(runtime),
    studentsOfClasses(runtime.db.read, [classId], today),
  ]);
  const seen = await knownOf(
    runtime.db.read,
    students.map(({ person }) => person.id),
  );
  const known = new Map<string, readonly SkillBelief[]>();
  return {
    library,
    of: (skillId) => {
      const found =
        known.get(skillId) ??
        students.map(({ person }) => {
          const { states, placements } = seen(person.id);
          const state = states.get(skillId);
          if (state) return beliefOn(state, day);
          return startingBelief({ grade: person.grade ?? grade, placements }, library.skill(skillId));
        });
      known.set(skillId, found);
      return found;
    },
  };
}

/** The spread of a class whose students nobody knows apart, in logits. */
const LEAST_SPREAD = 0.5;

/** Where a class lies on the scale in some skills: the mean over them of each student, and how far students lie apart. */
export function groupAbility(beliefs: ClassBeliefs, skillIds: readonly string[]): GroupAbility {
  const perSkill = skillIds.map((id) => {
    const { difficulty } = beliefs.library.skill(id);
    return beliefs.of(id).map((belief) => ({ at: belief.mean + difficulty + MASTERY_BOUNDARY, spread: belief.spread }));
  });
  const students = perSkill[0]?.map((_, place) => mean(perSkill.map((own) => own[place]?.at ?? 0))) ?? [];
  if (students.length === 0) return { mean: 0, sd: 1 };
  const within = mean(perSkill.flat().map(({ spread }) => spread ** 2));
  const between = students.length > 1 ? sampleVariance(students) : 0;
  return {
    mean: mean(students),
    sd: Math.max(LEAST_SPREAD, Math.sqrt(between + within / Math.max(1, skillIds.length))),
  };
}

/** Candidates as the page shows them. */
export async function shownItems(
  runtime: Runtime,
  beliefs: ClassBeliefs,
  chosen: readonly Candidate[],
): Promise<TestItem[]> {
  const versions = new Map(chosen.map(({ version }) => [version.id, version]));
  const [drawer, passages] = [drawerWith(runtime, versions), await passagesOf(runtime, versions.values())];
  return chosen.map((one) => shownItem(drawer, passages, beliefs, one));
}

function shownItem(
  drawer: Drawer,
  passages: Awaited<ReturnType<typeof passagesOf>>,
  beliefs: ClassBeliefs,
  { id, version, skillId, seed, parameters }: Candidate,
): TestItem {
  const drawn = drawer.draw({ versionId: version.id, seed, context: contextOf(version, seed), optionOrder: null });
  const { difficulty, grade } = beliefs.library.skill(skillId);
  const [first] = drawn.parts;
  const kind = drawn.parts.length === 1 && first ? first.kind : "several";
  const line = askedText(drawn);
  const all = beliefs.of(skillId);
  return {
    id,
    itemId: version.itemId,
    skillId,
    seed,
    points: drawn.parts.reduce((sum, { points }) => sum + points, 0),
    line,
    kind: cardKindWords(kind),
    key: drawn.parts.map(({ keyText }) => keyText).join("; "),
    solution: drawn.solution,
    picture: drawn.picture,
    face: faceOf(drawn, passages.get(version.passageId ?? "") ?? null),
    chance: all.length === 0 ? 0.5 : mean(all.map((belief) => chanceOfRight(belief, parameters, difficulty))),
    seconds: secondsFor({ line, grade, kind }),
    parameters,
  };
}

/** The story in which a picked draw is told: the same for everybody. */
export function contextOf({ body }: ItemVersion, seed: number): string {
  const contexts = Object.keys(body.contexts);
  return contexts[seed % contexts.length] ?? "";
}
