/** Shape of the forgetting curve of the FSRS-5 memory model; the factor makes R = 0.9 after one stability. */
const DECAY = -0.5;
const FACTOR = 19 / 81;

/**
 * Chance that a skill learned is still recalled `elapsedDays` (0 or more) after it was last met, for a memory of the given
 * stability in days (> 0): R = (1 + 19/81 * t / S)^-0.5. Source: FSRS-5, forgetting curve (Ye 2024).
 */
export function retrievability(elapsedDays: number, stabilityDays: number): number {
  return (1 + (FACTOR * Math.max(0, elapsedDays)) / stabilityDays) ** DECAY;
}
