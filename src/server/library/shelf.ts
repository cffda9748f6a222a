import "server-only";
import { drawParameters } from "@/core/items/drawParameters";
import type { ItemBody, ItemVersion } from "@/core/items/itemBody";
import { itemParameters } from "@/core/items/itemParameters";
import { roomOf } from "@/core/items/rooms";
import type { ItemParameters } from "@/core/measurement/item";
import type { Lesson, ReteachPlan, SkillTeaching } from "@/core/model/content";
import type { PoolItem } from "@/core/work/partSituation";
import { currentVersionsOf, parametersInForce, skillTexts } from "@/db/queries/library";
import { LIBRARY_TABLES } from "@/db/queries/tableRevisions";
import { kept } from "@/server/runtime/kept";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { libraryOf } from "./library";

/** Draws of each item to choose among; repeats among them are dropped. */
export const DRAWS_AN_ITEM = 60;
/** Skills whose items are kept in memory. */
const MOST_SHELVES = 150;

type Estimate = { readonly versionId: string } & ItemParameters;

/** What belongs to one skill: what is taught in it, and the items that can be given. */
export class Shelf {
  private drawnPool: readonly PoolItem[] | null = null;

  constructor(
    readonly skillId: string,
    private readonly difficulty: number,
    readonly lesson: Lesson,
    readonly teaching: SkillTeaching | null,
    readonly reteach: ReteachPlan,
    /** The current versions. */
    readonly versions: readonly ItemVersion[],
    private readonly estimates: readonly Estimate[],
  ) {}

  /** Items to choose from: different draws of every version. Drawn when somebody first asks. */
  get pool(): readonly PoolItem[] {
    this.drawnPool ??= this.versions.filter(isScoredAtOnce).flatMap((version) => this.drawsOf(version));
    return this.drawnPool;
  }

  /** Parameters of a draw, of the current version or of an earlier one. */
  parametersOf(version: ItemVersion, seed: number): ItemParameters {
    const drawn = this.drawnPool?.find((item) => item.versionId === version.id && item.seed === seed);
    return drawn?.parameters ?? this.parametersBy(version, drawParameters(version, seed));
  }

  private drawsOf(version: ItemVersion): PoolItem[] {
    const { itemId, body } = version;
    const passageId = version.passageId ?? undefined;
    const contexts = Object.keys(body.contexts);
    const known = new Set<string>();
    const draws: PoolItem[] = [];
    for (let seed = 0; seed < DRAWS_AN_ITEM; seed++) {
      const values = drawParameters(version, seed);
      const words = Object.values(values).join(" ");
      if (known.has(words)) continue;
      known.add(words);
      const parameters = this.parametersBy(version, values);
      draws.push({ itemId, versionId: version.id, seed, contexts, parameters, passageId });
    }
    return draws;
  }

  private parametersBy({ id, body }: ItemVersion, values: ReturnType<typeof drawParameters>): ItemParameters {
    const estimate = this.estimates.find(({ versionId }) => versionId === id);
    return estimate
      ? { a: estimate.a, b: this.difficulty + estimate.b, c: estimate.c }
      : itemParameters(body, values, this.difficulty);
  }
}

/** What adapts from one item to the next can't wait for a person. */
const isScoredAtOnce = ({ body }: ItemVersion): boolean =>
  body.parts.every(({ kind }) => roomOf(kind).rubric === undefined);

const shelf = kept([...LIBRARY_TABLES], loadShelf, MOST_SHELVES);

/** The shelf of a skill. */
export const shelfOf = (runtime: Runtime, skillId: string): Promise<Shelf> => shelf(runtime, skillId);

/** The shelves of several skills, by their ids. */
export async function shelvesOf(runtime: Runtime, skillIds: readonly string[]): Promise<ReadonlyMap<string, Shelf>> {
  const shelves = await Promise.all(skillIds.map((id) => shelfOf(runtime, id)));
  return new Map(shelves.map((one) => [one.skillId, one]));
}

async function loadShelf(runtime: Runtime, skillId: string): Promise<Shelf> {
  const db = runtime.db.read;
  const [library, texts, rows] = await Promise.all([
    libraryOf(runtime),
    skillTexts(db, skillId),
    currentVersionsOf(db, skillId),
  ]);
  if (!texts) throw new Refusal("not-found", "This skill is not known.");
  const estimates = await parametersInForce(
    db,
    rows.map(({ id }) => id),
    runtime.now(),
  );
  const { difficulty } = library.skill(skillId);
  return new Shelf(
    skillId,
    difficulty,
    texts.lesson,
    texts.teaching,
    wholePlan(texts.reteach),
    rows.map(asVersion),
    estimates,
  );
}

/** Plans of before had no wrong answers to look at and went no step further: they go round once more. */
const wholePlan = (plan: ReteachPlan): ReteachPlan => ({
  ...plan,
  look: plan.look ?? [],
  further: plan.further ?? { together: plan.together, alone: plan.alone },
});

/** A stored version; what is stored was checked against its schema when it came in. */
export const asVersion = ({
  id,
  itemId,
  body,
  passageId,
}: {
  id: string;
  itemId: string;
  body: object;
  passageId: string | null;
}): ItemVersion => ({ id, itemId, body: body as ItemBody, passageId });
