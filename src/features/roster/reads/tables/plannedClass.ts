/** What the plan of a new class is made by. */
export interface PlannedClass {
  readonly id: string;
  readonly schoolId: string;
  readonly name: string;
  readonly subject: string;
  readonly grade: number;
  /** Columns of the roster's file. */
  readonly extra?: Readonly<Record<string, string>> | null;
}
