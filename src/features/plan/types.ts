export interface PlanView {
  readonly className: string;
  readonly position: { readonly text: string; readonly short: string; readonly daysAhead: number };
  readonly entries: readonly PlanEntryView[];
}
export interface PlanEntryView {
  readonly skillId: string;
  readonly name: string;
  readonly grade: number;
  readonly code: string;
  readonly fromDay: string;
  readonly targetDay: string;
  readonly place: "past" | "now" | "ahead";
  readonly secure: number;
  /** Secure now, or mastered at some time. */
  readonly there: number;
  readonly developing: number;
  readonly beginning: number;
  readonly tooLittle: number;
  readonly students: number;
  readonly reached: boolean;
  readonly buildsOn: readonly string[];
}
