import type { ItemParameters } from "../measurement/item";
import { CoreError, demandThat } from "../model/fail";

/** An item that a form may hold. */
export interface AssemblyItem extends ItemParameters {
  readonly id: string;
  readonly standardId: string;
  /** Depth of thinking, 1 to 4. */
  readonly depth: number;
  readonly kind: string;
  /** The passage it is asked about; null without one. */
  readonly passageId: string | null;
  /** Items that give this one away. */
  readonly enemyIds: readonly string[];
}

/** How many items with these marks each form should hold; a mark left out may be anything. */
export interface CountWish {
  readonly standardId?: string;
  readonly depth?: number;
  readonly kind?: string;
  readonly least?: number;
  readonly most?: number;
}

export interface FormProblem {
  readonly items: readonly AssemblyItem[];
  /** Forms to build and items in each. */
  readonly forms: number;
  readonly length: number;
  readonly counts: readonly CountWish[];
  /** Information is made as high as can be where it is lowest of cut - 1, cut and cut + 1 (logits). */
  readonly cut: number;
  /** Items that must be used, one form each; items in every form; items not to be used. */
  readonly lockedIn?: readonly string[];
  readonly anchor?: readonly string[];
  readonly leftOut?: readonly string[];
  /** Items asked about one passage, where it is used at all; a passage stands in one form only. */
  readonly perPassage?: { readonly least: number; readonly most: number };
}

/** Points at which information is looked at, in logits from the cut. */
export const CUT_POINTS = [-1, 0, 1] as const;
/** Two forms may differ by this share in information at each point. */
export const MOST_DIFFERENCE = 0.1;
/** And by this share of the points in the expected score: 2 in 100. */
export const MOST_SCORE_DIFFERENCE = 0.02;
export const PER_PASSAGE = { least: 2, most: 5 } as const;

/** Throws "bad-argument" for senseless numbers or unknown ids, "contradiction" for an item both locked in and left out. */
export function demandFormProblem(problem: FormProblem): void {
  const { items, forms, length, cut, counts, perPassage = PER_PASSAGE } = problem;
  const whole = (value: number) => Number.isInteger(value) && value >= 1;
  demandThat(
    whole(forms) &&
      whole(length) &&
      Number.isFinite(cut) &&
      whole(perPassage.least) &&
      perPassage.most >= perPassage.least,
    "A test needs at least one form, one item and a cut, and rising numbers of items a passage.",
    { forms, length, cut },
  );
  for (const wish of counts)
    demandThat(
      (wish.least ?? 0) >= 0 && (wish.most ?? Number.POSITIVE_INFINITY) >= (wish.least ?? 0),
      "A wish asks for 0 or more, and at most not under at least.",
      { ...wish },
    );
  const ids = new Set(items.map(({ id }) => id));
  demandThat(ids.size === items.length, "Every item needs an id of its own.");
  const { lockedIn = [], anchor = [], leftOut = [] } = problem;
  for (const id of [...lockedIn, ...anchor, ...leftOut])
    demandThat(ids.has(id), `There is no item ${id} to choose from.`, { id });
  const both = [...lockedIn, ...anchor].find((id) => leftOut.includes(id));
  if (both) throw new CoreError("contradiction", `The item ${both} is locked in and left out.`, { id: both });
  const twice = lockedIn.find((id) => anchor.includes(id));
  if (twice) throw new CoreError("contradiction", `The item ${twice} is for one form and for all.`, { id: twice });
}

/** True when an item has the marks a wish names. */
export function hasMarks(item: AssemblyItem, wish: CountWish): boolean {
  return (
    (wish.standardId === undefined || item.standardId === wish.standardId) &&
    (wish.depth === undefined || item.depth === wish.depth) &&
    (wish.kind === undefined || item.kind === wish.kind)
  );
}
