import "server-only";
import { type Item, instantiateItem } from "@/core/answers/instantiateItem";
import { itemParameters } from "@/core/answers/itemParameters";
import type { ItemParameters } from "@/core/measurement/item";
import type { ItemModel, Lesson, Misconception, ReteachPlan } from "@/core/model/content";
import { CoreError } from "@/core/model/fail";
import { allItemModels, allMisconceptions, allSkillLinks, allSkills } from "@/db/queries/library";
import { kept } from "./kept";
import { Refusal } from "./refusal";
import type { Runtime } from "./runtime";

export interface LibrarySkill {
  readonly id: string;
  readonly name: string;
  readonly studentName: string;
  readonly grade: number;
  readonly difficulty: number;
  readonly framework: string;
  readonly standard: { readonly code: string; readonly statement: string; readonly strand: string };
  readonly lesson: Lesson;
  readonly reteach: ReteachPlan;
  readonly prerequisites: readonly string[];
  readonly contrasts: readonly string[];
  /** Skills that build directly on this one. */
  readonly unlocks: readonly string[];
}

export interface PoolItem {
  readonly modelId: string;
  readonly modelVersion: number;
  readonly seed: number;
  readonly item: ItemParameters;
}

/** The shipped content in memory. Item model versions never change, so items drawn from them can be kept. */
export class Library {
  private readonly pools = new Map<string, readonly PoolItem[]>();
  private readonly items = new Map<string, Item>();

  constructor(
    /** In teaching order. */
    readonly skills: readonly LibrarySkill[],
    readonly misconceptions: ReadonlyMap<string, Misconception>,
    private readonly models: readonly {
      id: string;
      version: number;
      skillId: string;
      model: ItemModel;
      retired: boolean;
    }[],
  ) {}

  skill(id: string): LibrarySkill {
    const found = this.skills.find((skill) => skill.id === id);
    if (!found) throw new Refusal("not-found", "This skill is not known.");
    return found;
  }

  /** Items of a skill to choose from: different draws of every current item model. */
  pool(skillId: string): readonly PoolItem[] {
    const known = this.pools.get(skillId);
    if (known) return known;
    const { difficulty } = this.skill(skillId);
    const pool = this.models
      .filter((entry) => entry.skillId === skillId && !entry.retired)
      .flatMap(({ id, version, model }) => {
        const stems = new Set<string>();
        return Array.from({ length: DRAWS_PER_MODEL }, (_, seed) => seed).flatMap((seed) => {
          const { values } = this.item(id, version, seed, Object.keys(model.contexts)[0] ?? "");
          const draw = Object.values(values).join(" ");
          if (stems.has(draw)) return [];
          stems.add(draw);
          return [{ modelId: id, modelVersion: version, seed, item: itemParameters(model, seed, difficulty) }];
        });
      });
    this.pools.set(skillId, pool);
    return pool;
  }

  contextsOf(modelId: string, version: number): string[] {
    return Object.keys(this.model(modelId, version).contexts);
  }

  item(modelId: string, version: number, seed: number, context: string): Item {
    const key = `${modelId}@${version}#${seed}#${context}`;
    const known = this.items.get(key);
    if (known) return known;
    const item = instantiateItem(this.model(modelId, version), seed, context);
    if (this.items.size >= MOST_ITEMS_KEPT) this.items.delete(this.items.keys().next().value ?? "");
    this.items.set(key, item);
    return item;
  }

  /** An item of the log for showing: null when the library does not hold it any more, which must not stop the others. */
  itemIfKnown(modelId: string, version: number, seed: number, context: string): Item | null {
    try {
      return this.item(modelId, version, seed, context);
    } catch (error) {
      if (error instanceof Refusal || error instanceof CoreError) return null;
      throw error;
    }
  }

  parameters(modelId: string, version: number, seed: number, skillId: string): ItemParameters {
    const inPool = this.pools
      .get(skillId)
      ?.find((entry) => entry.modelId === modelId && entry.modelVersion === version && entry.seed === seed);
    return inPool?.item ?? itemParameters(this.model(modelId, version), seed, this.skill(skillId).difficulty);
  }

  modelIdsOf(skillId: string): { id: string; version: number }[] {
    return this.models
      .filter((entry) => entry.skillId === skillId && !entry.retired)
      .map(({ id, version }) => ({ id, version }));
  }

  private model(modelId: string, version: number): ItemModel {
    const entry = this.models.find(({ id, version: own }) => id === modelId && own === version);
    if (!entry) throw new Refusal("not-found", "This item is not in the library.");
    return entry.model;
  }
}

/** Draws of each item model to choose among; repeats among them are dropped. */
const DRAWS_PER_MODEL = 60;
const MOST_ITEMS_KEPT = 8000;

const library = kept(
  ["frameworks", "standards", "skills", "skill_links", "misconceptions", "item_models"],
  loadLibrary,
);

/** The library of a database. */
export const libraryOf = (runtime: Runtime): Promise<Library> => library(runtime, "");

async function loadLibrary(runtime: Runtime): Promise<Library> {
  const db = runtime.db.read;
  const [skills, links, misconceptions, models] = await Promise.all([
    allSkills(db),
    allSkillLinks(db),
    allMisconceptions(db),
    allItemModels(db),
  ]);
  const linked = (id: string, kind: "precedes" | "contrasts", own: "fromId" | "toId", other: "fromId" | "toId") =>
    links.filter((link) => link.kind === kind && link[own] === id).map((link) => link[other]);
  return new Library(
    skills.map(({ skill, standard, framework }) => ({
      ...skill,
      framework,
      standard: { code: standard.code, statement: standard.statement, strand: standard.strand },
      prerequisites: linked(skill.id, "precedes", "toId", "fromId"),
      contrasts: linked(skill.id, "contrasts", "fromId", "toId"),
      unlocks: linked(skill.id, "precedes", "fromId", "toId"),
    })),
    new Map(misconceptions.map((entry) => [entry.id, entry])),
    models.map(({ id, version, skillId, model, retiredAt }) => ({
      id,
      version,
      skillId,
      model,
      retired: retiredAt !== null,
    })),
  );
}
