type Nothing = Readonly<Record<string, never>>;
interface Most {
  readonly most: number;
}
interface Named {
  readonly name: string;
}
interface Count {
  readonly count: number;
}

/** What there is to say of a roster file, its rows and its cells, by code; worded for whoever reads it. */
export interface RosterRemarks {
  // A row or a cell that can't be taken.
  "number-missing": Nothing;
  "number-twice": { readonly row: number };
  "given-name-missing": Nothing;
  "family-name-missing": Nothing;
  "name-too-long": Most;
  "not-a-grade": Nothing;
  "not-an-address": Nothing;
  "birth-year-outside": { readonly first: number; readonly last: number };
  "not-a-support": Named;
  "no-class": Named;
  "no-group": Named;
  "parents-in-circle": Nothing;
  "same-thing-twice": Nothing;
  "address-taken": Nothing;
  "number-taken": Nothing;
  "school-not-open": Nothing;
  "reference-missing": { readonly file: string };
  "not-a-date": Nothing;
  "not-a-time": Nothing;
  "not-a-school-year": Nothing;
  "not-a-flag": Nothing;
  "not-grades": Nothing;
  "not-one-of": { readonly values: readonly string[] };
  "cell-empty": Nothing;
  "cell-too-long": Most;
  "id-twice": Nothing;
  "person-without-role": Nothing;
  "row-of-other-length": { readonly cells: number; readonly columns: number };
  "columns-missing": Nothing;
  "column-twice": Named;
  "no-manifest": Nothing;
  "mode-not-known": Nothing;
  // What is worth knowing, though everything is taken.
  "not-utf-8": Nothing;
  "quote-not-closed": { readonly row: number };
  "other-sheets-unread": Named & { readonly others: readonly string[] };
  "family-left-out": Count;
  "proctors-left-out": Count;
  "over-left-out": Count;
  "others-join": Count;
  "not-in-file": { readonly names: readonly string[]; readonly more: number };
  // What asks for a second look before it is applied.
  "many-inactive": { readonly inactive: number; readonly active: number; readonly file: string };
  // A file that can't be read.
  "file-empty": Nothing;
  "file-not-text": Nothing;
  "file-too-large": { readonly megabytes: number };
  "no-rows": Nothing;
  "too-many-columns": Most & { readonly columns: number };
  "too-many-rows": Most & { readonly rows: number };
  "more-rows-than": Most;
  "no-roster-files": Nothing;
  "not-a-zip": Nothing;
  "zip-empty": Nothing;
  "zip-not-whole": Nothing;
  "zip-leads-out": Named;
  "zip-names-twice": Named;
  "zip-too-many-files": Most;
  "zip-file-damaged": Named;
  "zip-too-large": { readonly megabytes: number };
  "zip-grows-too-much": Named;
  "no-workbook": Nothing;
  "workbook-damaged": Nothing;
  // How far a reading is.
  "looking-at-roster": Nothing;
  "reading-file": Named;
  "reading-sheet": Nothing;
  "reading-rows": Nothing;
  comparing: Nothing;
}
export type RosterRemarkCode = keyof RosterRemarks;

/** A code with its values. */
export type RosterRemark = {
  readonly [C in RosterRemarkCode]: { readonly code: C; readonly values: RosterRemarks[C] };
}[RosterRemarkCode];

type Args<C extends RosterRemarkCode> = RosterRemarks[C] extends Nothing ? [] : [values: RosterRemarks[C]];

/**
 * A remark by its code.
 * @example remark("number-twice", { row: 2 }) // { code: "number-twice", values: { row: 2 } }
 */
export function remark<C extends RosterRemarkCode>(code: C, ...[values]: Args<C>): RosterRemark {
  return { code, values: values ?? {} } as RosterRemark;
}
