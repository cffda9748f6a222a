import type { LookedItem } from "@/core/items/lookOver";
import type { PassageChoice } from "./itemTypes";

/** How a sheet is printed, as it stands in the address. */
export interface WorksheetWishes {
  readonly itemIds: readonly string[];
  readonly forms: number;
  readonly columns: 1 | 2;
  /** Lines of room to work under each item. */
  readonly lines: number;
  readonly seed: number;
  readonly withKey: boolean;
  /** What was given, whose items are printed as they were drawn, a sheet for each student; null for items of the library. */
  readonly workId: string | null;
  /** The class whose students get a sheet each; null for sheets without names. */
  readonly classId: string | null;
}

export interface WorksheetView {
  /** Short, the same for the same items, forms and draws. */
  readonly code: string;
  readonly forms: readonly { readonly letter: string; readonly items: readonly LookedItem[] }[];
  /** What each item hangs on, by its place; null for none. */
  readonly passages: readonly (PassageChoice | null)[];
  /** A sheet each; one a form, without a name, where no class was chosen. */
  readonly sheets: readonly {
    readonly key: string;
    readonly letter: string;
    readonly name: string | null;
    /** A picture of the code that names sheet, form and student. */
    readonly qr: string;
  }[];
  readonly minutes: number;
  /** Places, from 1, of two items of which one gives the other away. */
  readonly clashes: readonly (readonly [number, number])[];
  /** Items that were asked for and can't be printed. */
  readonly leftOut: number;
  readonly classes: readonly { readonly id: string; readonly name: string }[];
}

type Search = Readonly<Record<string, string | undefined>>;
const MOST_FORMS = 4;
const MOST_LINES = 12;

const whole = (text: string | undefined, least: number, most: number, usual: number): number => {
  const number = Number(text ?? usual);
  return Number.isInteger(number) ? Math.min(most, Math.max(least, number)) : usual;
};

/** The wishes that an address holds; what it does not know is as usual. */
export function worksheetWishes(search: Search): WorksheetWishes {
  return {
    itemIds: (search.items ?? "")
      .split("~")
      .filter((id) => id !== "")
      .map(decodeURIComponent)
      .slice(0, 40),
    forms: whole(search.forms, 1, MOST_FORMS, 1),
    columns: search.columns === "2" ? 2 : 1,
    lines: whole(search.lines, 0, MOST_LINES, 3),
    seed: whole(search.seed, 0, 100_000, 0),
    withKey: search.key !== "no",
    workId: search.work || null,
    classId: search.class || null,
  };
}
