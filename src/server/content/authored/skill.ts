import "server-only";
import type { ItemBody } from "@/core/items/itemBody";
import type { Lesson, ReteachPlan, SkillTeaching } from "@/core/model/content";
import { type AuthoredItem, bodyOf, type Stories } from "./items";
import { type QuickGroup, quickItems } from "./quick";

type Pair = readonly [string, string | number];

/** A skill as an author writes it: see content/README.md. */
export interface AuthoredSkill {
  readonly name: string;
  readonly called: string;
  readonly strand: string;
  readonly standards: readonly string[];
  readonly difficulty?: number;
  readonly "builds on"?: readonly string[];
  readonly "mixed up with"?: readonly string[];
  readonly means: string;
  readonly first: {
    readonly open: string;
    readonly worked: { readonly task: string; readonly steps: readonly string[] };
    readonly story: Pair;
    readonly talk: readonly string[];
    readonly words: Readonly<Record<string, string>>;
  };
  readonly lesson: Lesson;
  readonly hints: readonly [string, string, string];
  readonly notes: readonly string[];
  readonly model?: Readonly<Record<string, Readonly<Record<string, unknown>>>>;
  readonly reteach: {
    readonly look: Readonly<Record<string, string>>;
    readonly things: string;
    readonly show: string;
    readonly ask: readonly string[];
    readonly together: Pair;
    readonly alone: Pair;
    readonly further: { readonly together: Pair; readonly alone: Pair };
    readonly exit: { readonly task: string; readonly answers: readonly (readonly [string | number, string, string])[] };
  };
  readonly items?: Readonly<Record<string, AuthoredItem>>;
  readonly quick?: readonly QuickGroup[];
  /** Who read the items again, when, and what came of it. */
  readonly read?: string;
}

export interface SkillItem {
  readonly id: string;
  readonly depth?: number;
  readonly calculator?: boolean;
  readonly passageId?: string;
  readonly sometimes: readonly string[];
  readonly body: ItemBody;
}

/** What an authored skill holds, in the shapes that the library keeps. Items are named by the skill and their own name. */
export function skillOf(id: string, written: AuthoredSkill, stories: Stories) {
  const { name, called, strand, standards, difficulty, lesson, hints } = written;
  const items = { ...written.items, ...quickItems(id, written.quick ?? [], hints[0]) };
  return {
    id,
    name,
    studentName: called,
    strand,
    standards,
    difficulty: difficulty ?? null,
    prerequisites: written["builds on"] ?? [],
    contrasts: written["mixed up with"] ?? [],
    lesson,
    teaching: teachingOf(written),
    reteach: reteachOf(written.reteach),
    items: Object.entries(items).map(([own, item]): SkillItem => {
      const itemId = `${id}/${own}`;
      return {
        id: itemId,
        ...(item.depth === undefined ? {} : { depth: item.depth }),
        ...(item.calculator === undefined ? {} : { calculator: item.calculator }),
        ...(item.passage === undefined ? {} : { passageId: item.passage }),
        sometimes: item.sometimes ?? [],
        body: bodyOf(itemId, item, stories),
      };
    }),
  };
}

/** A bare number is an answer too. */
const task = ([own, answer]: Pair) => ({ task: own, answer: String(answer) });

function teachingOf({ means, first, hints, notes, model }: AuthoredSkill): SkillTeaching {
  const [own] = Object.entries(model ?? {});
  return {
    meaning: means,
    first: {
      ...first,
      story: task(first.story),
      words: Object.entries(first.words).map(([word, meaning]) => ({ word, means: meaning })),
    },
    hints,
    notes,
    model: own ? { kind: own[0], setting: own[1] } : null,
  };
}

function reteachOf({ look, things, show, ask, together, alone, further, exit }: AuthoredSkill["reteach"]): ReteachPlan {
  return {
    look: Object.entries(look).map(([misconceptionId, work]) => ({ misconceptionId, work })),
    materials: things,
    show,
    ask,
    together: task(together),
    alone: task(alone),
    further: { together: task(further.together), alone: task(further.alone) },
    exit: {
      task: exit.task,
      answers: exit.answers.map(([answer, means, next]) => ({ answer: String(answer), means, next })),
    },
  };
}
