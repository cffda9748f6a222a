import { checkItem, type ItemVerdict, receivedResponse } from "./checkItem";
import { type DrawnItem, drawItem } from "./drawItem";
import type { ItemVersion } from "./itemBody";
import { itemBodySchema } from "./itemBodySchema";
import type { ItemKind } from "./itemKind";
import { responseWords } from "./responseWords";
import { roomOf } from "./rooms";
import { tellingMistakes } from "./telling";
import { type TrialRemark, tryItem } from "./tryItem";

/** An item as its author sees it: what a student is shown, and the key beside it. Plain data. */
export interface LookedItem {
  readonly seed: number;
  readonly context: string;
  readonly stem: string;
  readonly images: DrawnItem["images"];
  readonly table: DrawnItem["table"];
  readonly parts: readonly {
    readonly id: string;
    readonly kind: ItemKind;
    readonly prompt: string | null;
    /** What the student's browser gets of it. */
    readonly shown: unknown;
    readonly keyText: string;
  }[];
  readonly hint: string;
  readonly solution: string;
  readonly mistakes: readonly { readonly partId: string; readonly words: string; readonly misconceptionId: string }[];
}

/** Something that a body lacks, by its path and by the rule that it breaks. */
export interface BodyFault {
  readonly path: string;
  readonly rule: string;
}

/** What is known of a body: what it lacks, or how its draws came out. */
export type Look =
  | { readonly faults: readonly BodyFault[] }
  | {
      readonly faults: readonly [];
      readonly tried: number;
      readonly drawn: number;
      readonly different: number;
      readonly remarks: readonly TrialRemark[];
      readonly variants: readonly LookedItem[];
    };

/** Looks a version over that may lack anything: `draws` draws of it, the first different ones shown. */
export function lookOver(version: ItemVersion, draws: number, shown: number): Look {
  const faults = faultsOf(version.body);
  if (faults.length > 0) return { faults };
  const { variants, ...trial } = tryItem(version, draws, shown);
  return { faults: [], ...trial, variants: variants.map(lookedItem) };
}

/**
 * What a body lacks to be one, each path once.
 * @example faultsOf({})[0]?.rule // "optionality"
 */
export function faultsOf(body: unknown): BodyFault[] {
  try {
    itemBodySchema.validateSync(body, { abortEarly: false });
    return [];
  } catch (error) {
    const { name, inner, path, type } = error as FoundByYup;
    if (name !== "ValidationError") throw error;
    const all = inner && inner.length > 0 ? inner : [{ path, type }];
    const byPath = new Map(all.map((one) => [one.path ?? "", one.type ?? "unknown"]));
    return [...byPath].map(([where, rule]) => ({ path: where, rule }));
  }
}
interface FoundByYup {
  readonly name?: string;
  readonly path?: string;
  readonly type?: string;
  readonly inner?: readonly { readonly path?: string; readonly type?: string }[];
}

/** A drawn item as plain data. */
export function lookedItem(item: DrawnItem): LookedItem {
  return {
    seed: item.seed,
    context: item.context,
    stem: item.stem,
    images: item.images,
    table: item.table,
    parts: item.parts.map(({ id, kind, prompt, drawn, keyText }) => ({
      id,
      kind,
      prompt,
      shown: roomOf(kind).shown(drawn),
      keyText,
    })),
    hint: item.hint,
    solution: item.solution,
    mistakes: tellingMistakes(item).map(({ misconceptionId, partId, response }) => ({
      misconceptionId,
      partId,
      words: responseWords(item, { [partId]: response[partId] }).join("; "),
    })),
  };
}

/** The verdict on what somebody sent to a draw of a version; null when it is no response to it. */
export function verdictOn(version: ItemVersion, seed: number, context: string, sent: unknown): ItemVerdict | null {
  const item = drawItem(version, seed, context);
  const response = receivedResponse(item, sent);
  return response === null ? null : checkItem(item, response);
}
