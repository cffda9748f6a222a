import type { Operation } from "../model/factSettings";

/** A number fact, such as 7 x 8 or 56 / 7, with whole operands from 0. */
export interface Fact {
  readonly operation: Operation;
  readonly left: number;
  readonly right: number;
}

/** One attempt at a fact: answered right or not, how long it took, and on which day (a day number). */
export interface FactAttempt {
  readonly fact: Fact;
  readonly right: boolean;
  readonly seconds: number;
  readonly day: number;
}
