import { groupBy } from "../collections/groupBy";
import type { FactAttempt } from "./fact";
import type { AttemptsByFact } from "./factFluency";
import { factId } from "./factId";

/**
 * Attempts by the id of their fact, in the order in which they came.
 * @example attemptsByFact([{ fact: { operation: "add", left: 4, right: 6 }, right: true, seconds: 2, day: 100 }]).get("4+6")?.length // 1
 */
export const attemptsByFact = (attempts: readonly FactAttempt[]): AttemptsByFact =>
  groupBy(attempts, ({ fact }) => factId(fact));
