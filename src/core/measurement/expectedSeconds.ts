import { demandThat } from "../model/fail";

/** Words a minute of silent reading with comprehension at the end of grades 1 to 8 (Taylor, Frackenpohl & Pettee 1960, table 2). */
const WORDS_A_MINUTE = [80, 115, 138, 158, 173, 185, 195, 204] as const;

/**
 * Seconds that an item is expected to take: its words at the grade's reading rate, and the time to answer an item of its kind. Grades beyond 1
 * to 8 read as the nearest.
 * @throws CoreError "bad-argument", where this does not hold: Words are a number of them, and answering takes time.
 * @example expectedSeconds({ words: 37, grade: 6, answeringSeconds: 20 }).toFixed(0) // "32"
 */
export function expectedSeconds({
  words,
  grade,
  answeringSeconds,
}: {
  readonly words: number;
  readonly grade: number;
  readonly answeringSeconds: number;
}): number {
  demandThat(
    words >= 0 && answeringSeconds > 0 && Number.isFinite(words + grade + answeringSeconds),
    "Words are a number of them, and answering takes time.",
    { words, grade, answeringSeconds },
  );
  const place = Math.min(WORDS_A_MINUTE.length, Math.max(1, Math.round(grade))) - 1;
  return (60 * words) / (WORDS_A_MINUTE[place] ?? 80) + answeringSeconds;
}
