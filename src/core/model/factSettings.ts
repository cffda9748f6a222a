/** Operations that have number facts. */
export const OPERATIONS = ["add", "subtract", "multiply", "divide"] as const;
export type Operation = (typeof OPERATIONS)[number];

/** How a class, or one student of it, practises number facts. */
export interface FactSettings {
  readonly operations: readonly Operation[];
  /** Ids of families in the order in which they are learned; null for the usual order, from where placement says. */
  readonly order: readonly string[] | null;
  /** Operands go up to this: 5 to 15. */
  readonly highest: number;
  readonly minutesADay: number;
  readonly thinkingSeconds: number;
  /** Facts to get right in time on a day. */
  readonly goal: number;
}

/** What a student has that differs from the class. */
export type OwnFactSettings = Partial<FactSettings>;
