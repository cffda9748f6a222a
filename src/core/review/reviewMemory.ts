import { default_w, FSRSAlgorithm } from "ts-fsrs";
import { demandThat } from "../model/fail";
import type { RecallGrade } from "./recallGrade";

/** Memory of a skill: days until recall falls to 90 %, and how hard it is to fix, 1 (easy) to 10. */
export interface Memory {
  readonly stabilityDays: number;
  readonly difficulty: number;
}

/**
 * Stability after the day a skill is first worked on, by the grade that day ended with. A skill met in several different
 * items on a day keeps longer than a single fact; provisional until a school's own reviews can be fitted.
 */
const FIRST_STABILITY_DAYS = [3, 10, 20, 40] as const;

const algorithm = new FSRSAlgorithm({
  w: [...FIRST_STABILITY_DAYS, ...default_w.slice(FIRST_STABILITY_DAYS.length)],
  enable_short_term: false,
  enable_fuzz: false,
});

/** Memory by FSRS-6 (Ye 2024) through `ts-fsrs`, which patches Date when loaded: nothing else may import it. */
export const reviewMemory = {
  /** Memory at the end of the first day. */
  first(grade: RecallGrade): Memory {
    return memoryOf(algorithm.next_state(null, 0, grade));
  },
  /** Memory after being asked again, `elapsedDays` (above 0) later. */
  next({ stabilityDays, difficulty }: Memory, elapsedDays: number, grade: RecallGrade): Memory {
    demandThat(elapsedDays > 0 && Number.isFinite(elapsedDays), "A review comes after the day before.", {
      elapsedDays,
    });
    return memoryOf(algorithm.next_state({ stability: stabilityDays, difficulty }, elapsedDays, grade));
  },
  /** Chance of recall after `elapsedDays` (0 or more), in (0, 1]: 0.9 after one stability. */
  recall(stabilityDays: number, elapsedDays: number): number {
    demandThat(stabilityDays > 0, "A memory has a stability above 0 days.", { stabilityDays });
    return algorithm.forgetting_curve(Math.max(0, elapsedDays), stabilityDays);
  },
  /** Days after which recall has fallen to the wanted chance, between 0 and 1. */
  daysUntil(stabilityDays: number, wantedRecall: number): number {
    demandThat(wantedRecall > 0 && wantedRecall < 1, "A wanted recall lies between 0 and 1.", { wantedRecall });
    return stabilityDays * algorithm.calculate_interval_modifier(wantedRecall);
  },
} as const;

function memoryOf({ stability, difficulty }: { stability: number; difficulty: number }): Memory {
  return { stabilityDays: stability, difficulty };
}
