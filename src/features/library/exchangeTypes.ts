import type { BankName, SkillChoice } from "./itemTypes";

/** What becomes of an item of a file, as its page says it. */
export interface ImportLine {
  readonly key: string;
  readonly title: string;
  readonly at: string;
  readonly kind: string;
  readonly fate: "in-use" | "draft" | "new-version" | "unchanged" | "left-out";
  readonly skill: string;
  /** Why it is no more than that, then what could not be kept; sentences. */
  readonly sentences: readonly string[];
}

export interface ItemImportView {
  readonly draftId: string;
  readonly fileName: string;
  readonly title: string;
  readonly bank: BankName;
  readonly skillId: string | null;
  readonly banks: readonly BankName[];
  readonly skills: readonly SkillChoice[];
  /** Changes when anything that would be done does: applying asks for the one that was looked at. */
  readonly fingerprint: string;
  readonly counts: Readonly<Record<ImportLine["fate"], number>>;
  /** Items of which something could not be kept. */
  readonly notWhole: number;
  readonly unread: readonly string[];
  /** Passages that come in, and those whose words change. */
  readonly passages: { readonly added: number; readonly changed: number };
  readonly show: ImportShow;
  readonly lines: readonly ImportLine[];
  readonly total: number;
  readonly from: number;
  /** Lines listed at once. */
  readonly pageSize: number;
}

/** Which of a file's items are listed. */
export const IMPORT_SHOWS = ["all", "left-out", "draft", "not-whole", "new-version", "unchanged"] as const;
export type ImportShow = (typeof IMPORT_SHOWS)[number];

export type ItemImportState =
  | { readonly state: "reading"; readonly share: number; readonly what: string }
  | { readonly state: "failed"; readonly message: string; readonly fileName: string }
  | { readonly state: "applied"; readonly fileName: string; readonly bank: BankName }
  | { readonly state: "ready"; readonly view: ItemImportView };

/** What can be chosen before a file is sent. */
export interface ItemImportStart {
  readonly banks: readonly BankName[];
  readonly skills: readonly SkillChoice[];
  readonly bankId: string | null;
}

/** A standard that an edition changes. */
export interface StandardLine {
  readonly key: string;
  readonly code: string;
  readonly statement: string;
  readonly what: "added" | "changed" | "gone" | "kept";
  readonly detail: string;
}

export interface FrameworkImportView {
  readonly draftId: string;
  readonly fileName: string;
  readonly title: string;
  readonly version: string;
  readonly entries: number;
  readonly isNew: boolean;
  /** Comes with Oxbow, which keeps it up to date by itself. */
  readonly isShipped: boolean;
  readonly subjects: readonly { readonly id: string; readonly name: string }[];
  readonly subjectId: string | null;
  readonly fingerprint: string;
  readonly counts: Readonly<Record<StandardLine["what"], number>>;
  readonly isReordered: boolean;
  readonly links: { readonly added: number; readonly gone: number; readonly elsewhere: number };
  readonly lines: readonly StandardLine[];
  readonly more: number;
}

export type FrameworkImportState =
  | { readonly state: "reading"; readonly share: number; readonly what: string }
  | { readonly state: "failed"; readonly fileName: string; readonly sentences: readonly string[] }
  | { readonly state: "applied"; readonly fileName: string }
  | { readonly state: "ready"; readonly view: FrameworkImportView };

/** What a file of some items would hold. */
export interface TakeOutView {
  readonly query: string;
  /** The bank that is taken out whole; null for chosen items. */
  readonly bank: BankName | null;
  readonly items: number;
  /** Drawn anew each time: other programs see one draw. */
  readonly models: number;
  /** Other programs take fewer answers for right than are right here. */
  readonly narrower: number;
  readonly rows: number;
  readonly withoutRow: readonly { readonly id: string; readonly line: string; readonly kind: string }[];
}

/** Chosen items, or a bank as a whole. */
export interface TakeOutQuery {
  readonly itemIds: readonly string[];
  readonly bankId: string | null;
}

type Search = Readonly<Record<string, string | undefined>>;

/** What an address says is to be taken out. */
export function takeOutQuery({ items = "", bank }: Search): TakeOutQuery {
  const itemIds = items.split("~").filter((id) => id !== "");
  return { itemIds, bankId: bank ? bank : null };
}

/** Which lines of a file an address asks for. */
export function importQuery({ show, from }: Search): { readonly show: ImportShow; readonly from: number } {
  const at = Number(from);
  return {
    show: IMPORT_SHOWS.find((known) => known === show) ?? "all",
    from: Number.isInteger(at) && at > 0 ? Math.min(at, 100_000) : 0,
  };
}
