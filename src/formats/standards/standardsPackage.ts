/** What a record said that we do not read, by name: kept, and written back. */
export type Unread = Readonly<Record<string, unknown>>;

/** One standard, or a heading over standards. */
export interface StandardRecord {
  readonly caseId: string;
  /** The one that it stands under; null at the top of the document. */
  readonly parentCaseId: string | null;
  /** As the framework calls this level; empty where it does not say. */
  readonly type: string;
  /** The code that people use; empty where there is none. */
  readonly code: string;
  readonly statement: string;
  /** Grades from kindergarten (0) to 12; null where it names none. */
  readonly gradeLow: number | null;
  readonly gradeHigh: number | null;
  readonly unread: Unread;
}

export const STANDARD_LINK_KINDS = ["precedes", "same", "related", "part-of"] as const;
export type StandardLinkKind = (typeof STANDARD_LINK_KINDS)[number];

/** A tie between two standards, one of which may belong to another document. */
export interface StandardLinkRecord {
  readonly caseId: string;
  readonly kind: StandardLinkKind;
  readonly fromCaseId: string;
  readonly toCaseId: string;
  readonly unread: Unread;
}

/** A framework as it is exchanged: its standards in the order of the tree, each after what it stands under. */
export interface StandardsPackage {
  readonly document: {
    readonly caseId: string;
    readonly title: string;
    readonly version: string;
    readonly language: string;
    readonly creator: string;
    readonly unread: Unread;
  };
  readonly standards: readonly StandardRecord[];
  readonly links: readonly StandardLinkRecord[];
  /** Associations of the tree, by the child's identifier: their own identifier and what else they said. */
  readonly branches: Readonly<Record<string, { readonly caseId: string; readonly unread: Unread }>>;
  /** Associations of other kinds, and whole parts that we do not read. */
  readonly unread: { readonly associations: readonly unknown[]; readonly parts: Unread };
}
