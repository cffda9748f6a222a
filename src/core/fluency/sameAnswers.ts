/** Wrong answers in a row, all alike, after which nobody is taken to think. */
const ALIKE_IN_A_ROW = 6;

/**
 * Whether the latest answers are wrong and all the same: a key pressed again and again, not a fact that is not known. Whoever
 * passes (null) says so, as often as they like.
 * @param answers the latest last
 * @example sameAnswers([{ given: 0, right: false }]) // false
 */
export function sameAnswers(answers: readonly { readonly given: number | null; readonly right: boolean }[]): boolean {
  const last = answers.slice(-ALIKE_IN_A_ROW);
  return (
    last.length === ALIKE_IN_A_ROW &&
    last.every(({ given, right }) => !right && given !== null && given === last[0]?.given)
  );
}
