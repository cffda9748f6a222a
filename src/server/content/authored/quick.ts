import "server-only";
import { ContentFault } from "../contentFault";
import type { AuthoredItem } from "./items";

type Entry = readonly [string, string] | Readonly<Record<string, unknown>>;

/** Many small items that share a question, and perhaps a passage: written as a list under the word of their kind. */
export interface QuickGroup {
  readonly ask: string;
  readonly passage?: string;
  readonly moves?: number;
  readonly [kind: string]: unknown;
}

const OWN = new Set(["ask", "passage", "moves"]);

/**
 * The items of quick groups, by names made of the kind and a running number: what is added later stands at the end of its list, or in a group
 * behind. Each takes the skill's first hint unless it brings its own.
 */
export function quickItems(skillId: string, groups: readonly QuickGroup[], hint: string): Record<string, AuthoredItem> {
  const made: Record<string, AuthoredItem> = {};
  const counts = new Map<string, number>();
  for (const { ask, passage, moves, ...rest } of groups) {
    const [kind = "", ...others] = Object.keys(rest).filter((name) => !OWN.has(name));
    if (!Array.isArray(rest[kind]) || others.length > 0)
      throw new ContentFault(`${skillId}: “${ask}” needs one list of items under the word of their kind.`);
    for (const entry of rest[kind] as readonly Entry[]) {
      const number = (counts.get(kind) ?? 0) + 1;
      counts.set(kind, number);
      const { question, answer, why, own } = partsOf(entry);
      made[`${kind}-${number}`] = {
        ask: question === null ? ask : `${ask}\n${question}`,
        hint: own ?? hint,
        solution: why,
        ...(passage === undefined ? {} : { passage }),
        ...(moves === undefined ? {} : { moves }),
        [kind]: answer,
      };
    }
  }
  return made;
}

function partsOf(entry: Entry) {
  if (Array.isArray(entry)) {
    const [answer, why] = entry as readonly [string, string];
    return { question: null, answer, why, own: null };
  }
  const { q, why, hint, ...answer } = entry as Readonly<Record<string, unknown>>;
  return {
    question: q === undefined ? null : String(q),
    answer,
    why: String(why ?? ""),
    own: hint === undefined ? null : String(hint),
  };
}
