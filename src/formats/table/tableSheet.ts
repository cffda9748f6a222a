/** A table with what its columns hold: numbers are written as numbers, whatever unit the title names. */
export interface TableSheet {
  /** Of the sheet in a workbook, unique within the file; at most 31 letters, none of []:*?/\ . */
  readonly name: string;
  /** The question that it answers. */
  readonly title: string;
  readonly columns: readonly {
    readonly title: string;
    readonly holds: "text" | "number";
    /** Names somebody: covered while the screen is on the wall. */
    readonly names?: boolean;
  }[];
  readonly rows: readonly (readonly (string | number | null)[])[];
}
