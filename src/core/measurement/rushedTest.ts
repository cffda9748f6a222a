import { demandThat } from "../model/fail";
import { median } from "../numeric/median";

/** By what a test counts as rushed, and against how many students. */
export interface Rushed {
  readonly by: "class" | "expected";
  readonly seconds: number;
  /** The class's median, or what its items are expected to take. */
  readonly usualSeconds: number;
  /** Other students it was compared with; those of a small class say too little. */
  readonly comparedWith: number;
}

const SHARE = 1 / 3;
/** A median of fewer students than these tells little. */
const LEAST_STUDENTS = 8;

/**
 * Whether a whole test was rushed: its time is under a third of the class's median for the same items, or, with fewer than 8 students, under
 * a third of what its items are expected to take. Null where it was not.
 * @param seconds Of the student, over the items that were answered.
 * @param others Seconds of everybody who did the same items, the student too.
 * @param expected Seconds that these items are expected to take.
 * @throws CoreError "bad-argument", where this does not hold: Times are 0 s or more.
 * @example rushedTest(90, [90, 700], 600)?.by // "expected"
 */
export function rushedTest(seconds: number, others: readonly number[], expected: number): Rushed | null {
  demandThat(seconds >= 0 && expected >= 0 && others.every((one) => one >= 0), "Times are 0 s or more.", { seconds });
  const by = others.length >= LEAST_STUDENTS ? "class" : "expected";
  const usualSeconds = by === "class" ? median(others) : expected;
  return seconds < SHARE * usualSeconds ? { by, seconds, usualSeconds, comparedWith: others.length } : null;
}
