import { CoreError } from "../model/fail";
import { type DrawnItem, drawItem } from "./drawItem";
import type { ItemVersion } from "./itemBody";
import { itemTexts } from "./itemTexts";
import type { PartRemarkCode } from "./partRemark";
import { remarksOf } from "./remarksOf";

/** Something that an author should know, and in how many of the draws that were tried it is so. */
export interface TrialRemark {
  /** A remark on a part, or the reason why nothing can be drawn. */
  readonly code: PartRemarkCode | "few-variants" | "cannot-draw" | "markup" | "web-address";
  /** Why nothing can be drawn, as the error says; null for a remark. */
  readonly reason: string | null;
  /** The text, number or expression that it is about; empty where it is about the whole. */
  readonly at: string;
  readonly partId: string | null;
  readonly draws: number;
  /** The first seed for which it is so. */
  readonly seed: number;
}

export interface Trial {
  readonly tried: number;
  /** Draws that came out. */
  readonly drawn: number;
  /** The first different items that came out, up to the number asked for. */
  readonly variants: readonly DrawnItem[];
  /** How many different items came out. */
  readonly different: number;
  readonly remarks: readonly TrialRemark[];
}

/** Fewer different items than this, from something with parameters, soon repeat themselves. */
const FEW_VARIANTS = 20;

/** Texts are shown as they are typed: what looks like formatting, or leads out of the application, does nothing. */
const PLAIN_TEXT_ONLY = [
  { code: "markup", sign: /<\/?[a-z][^<>]*>/i },
  { code: "web-address", sign: /\b(?:https?|javascript|data):\S*/i },
] as const;

/**
 * Draws an item with the seeds from 0 on, as its author would look at it: the first different ones, and what is odd about any. A draw
 * that fails is a remark; nothing is thrown for what a body says.
 */
export function tryItem(version: ItemVersion, draws: number, shown: number): Trial {
  const remarks = new Map<string, TrialRemark>();
  const note = (seed: number, remark: Omit<TrialRemark, "draws" | "seed">) => {
    const key = `${remark.code} ${remark.reason} ${remark.partId}`;
    const known = remarks.get(key);
    remarks.set(key, known ? { ...known, draws: known.draws + 1 } : { ...remark, draws: 1, seed });
  };
  const met = new Set<string>();
  const variants: DrawnItem[] = [];
  let drawn = 0;
  for (let seed = 0; seed < draws; seed++) {
    const item = attempt(version, seed, (reason, at) => note(seed, { code: "cannot-draw", reason, at, partId: null }));
    if (!item) continue;
    drawn++;
    const words = [item.stem, ...item.parts.flatMap(({ prompt, keyText }) => [prompt, keyText])].join("\n");
    if (!met.has(words) && variants.length < shown) variants.push(item);
    met.add(words);
    const seen = new Set<string>();
    for (const { partId, code, at } of remarksOf(version, item)) {
      if (!seen.has(`${code} ${partId}`)) note(seed, { code, reason: null, at, partId });
      seen.add(`${code} ${partId}`);
    }
  }
  const isModel = Object.keys(version.body.parameters).length > 0;
  if (isModel && drawn > 0 && met.size < FEW_VARIANTS)
    note(0, { code: "few-variants", reason: null, at: String(met.size), partId: null });
  for (const { code, sign } of PLAIN_TEXT_ONLY) {
    const found = itemTexts(version.body).flatMap((text) => text.match(sign) ?? [])[0];
    if (found !== undefined) note(0, { code, reason: null, at: found, partId: null });
  }
  return { tried: draws, drawn, variants, different: met.size, remarks: [...remarks.values()] };
}

function attempt(version: ItemVersion, seed: number, failed: (reason: string, at: string) => void): DrawnItem | null {
  try {
    return drawItem(version, seed);
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    const { reason = error.code, at, source } = error.values as Record<string, string | undefined>;
    failed(reason, at ?? source ?? "");
    return null;
  }
}
