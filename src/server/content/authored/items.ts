import "server-only";
import type { ItemBody } from "@/core/items/itemBody";
import { offsetByRule } from "@/core/items/offsetByRule";
import { ContentFault } from "../contentFault";
import { type Numbers, specOf } from "./numbers";
import { AUTHOR_WORDS, type Written } from "./parts";

type Words = Readonly<Record<string, string>>;
/** Sets of words that many items tell their stories with: by the set's name, by interest. */
export type Stories = Readonly<Record<string, Readonly<Record<string, Words>>>>;

/** An item as an author writes it: see content/README.md. */
export interface AuthoredItem {
  readonly numbers?: Readonly<Record<string, Numbers>>;
  readonly where?: readonly string[];
  readonly with?: Readonly<Record<string, string | number>>;
  /** The name of a set of stories, or stories of its own. */
  readonly stories?: string | Readonly<Record<string, Words>>;
  readonly ask: string;
  /** Moves of thought that it takes; 1 unless stated. */
  readonly moves?: number;
  /** How heavy its numbers are, as an expression from 0 to 1. */
  readonly load?: string;
  /** Instead of the rule: how far it lies from its skill, in logits. */
  readonly offset?: string;
  readonly discrimination?: number;
  readonly depth?: number;
  readonly calculator?: boolean;
  readonly hint: string;
  readonly solution: string;
  readonly picture?: ItemBody["picture"];
  readonly table?: Readonly<Record<string, readonly (string | number)[]>>;
  readonly parts?: readonly Written[];
  /** Misconceptions that show in some of its draws only; for items that were answered before this was demanded. */
  readonly sometimes?: readonly string[];
  readonly passage?: string;
  /** Its answer, under the word of its kind, where it has one part. */
  readonly [kind: string]: unknown;
}

const PLAIN = { plain: {} };
const SLOT_NAME = /\{([\p{L}_]\w*)(?::\w+)?\}/gu;

/** The body that an authored item stands for. Throws ContentFault with what is wrong in it. */
export function bodyOf(id: string, item: AuthoredItem, stories: Stories): ItemBody {
  const { numbers = {}, where, with: derived, ask, hint, solution, picture, table, discrimination } = item;
  const parts = (item.parts ?? [item]).map((part, place) => partOf(id, part, place, item.parts !== undefined));
  const body = {
    parameters: Object.fromEntries(Object.entries(numbers).map(([name, own]) => [name, specOf(own)])),
    ...(where ? { where } : {}),
    ...(derived
      ? { derived: Object.fromEntries(Object.entries(derived).map(([name, own]) => [name, String(own)])) }
      : {}),
    stem: ask,
    contexts: {},
    difficultyOffset: item.offset ?? offsetByRule(parts[0]?.kind ?? "number", item.moves ?? 1, item.load),
    ...(discrimination === undefined ? {} : { discrimination }),
    hint,
    solution,
    ...(picture ? { picture } : {}),
    ...(table ? { table: Object.entries(table).map(([label, cells]) => ({ label, cells: cells.map(String) })) } : {}),
    parts,
  };
  return { ...body, contexts: contextsOf(id, item, body, stories) } as unknown as ItemBody;
}

/** Stories with the words that the item uses and no others, so that a word added for another item changes nothing here. */
function contextsOf(id: string, item: AuthoredItem, body: object, stories: Stories): ItemBody["contexts"] {
  if (typeof item.stories === "object") return item.stories;
  if (item.stories === undefined) return PLAIN;
  const set = stories[item.stories];
  if (!set) throw new ContentFault(`${id}: there is no set of stories called ${item.stories}.`);
  const used = new Set(slotsIn(JSON.stringify(body)));
  for (const words of Object.values(set))
    for (const name of [...used]) for (const inner of slotsIn(words[name] ?? "")) used.add(inner);
  return Object.fromEntries(
    Object.entries(set).map(([interest, words]) => [
      interest,
      Object.fromEntries(Object.entries(words).filter(([name]) => used.has(name))),
    ]),
  );
}

const slotsIn = (text: string): string[] => [...text.matchAll(SLOT_NAME)].map(([, name = ""]) => name);

function partOf(id: string, part: Written, place: number, isOneOfSeveral: boolean) {
  const found = Object.keys(AUTHOR_WORDS).filter((word) => word in part);
  const [word = ""] = found;
  const known = AUTHOR_WORDS[word];
  if (!known || found.length !== 1)
    throw new ContentFault(`${id}: an item needs one kind of answer of ${Object.keys(AUTHOR_WORDS).join(", ")}.`);
  const { ask, points, skills } = part as { ask?: string; points?: number; skills?: string[] };
  return {
    id: String.fromCharCode(97 + place),
    kind: known.kind,
    ...(isOneOfSeveral && ask !== undefined ? { prompt: ask } : {}),
    ...(isOneOfSeveral && points !== undefined ? { points } : {}),
    ...(isOneOfSeveral && skills !== undefined ? { skillIds: skills } : {}),
    ...known.body(part[word] as never),
  };
}
