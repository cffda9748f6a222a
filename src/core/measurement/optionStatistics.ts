import { distribution } from "../numeric/distribution";
import { mean } from "../numeric/mean";
import { sampleVariance } from "../numeric/sampleVariance";

/** One answer to a choice item: the option taken (null: none), and the share right of the student's other items. */
export interface OptionChoice {
  readonly option: string | null;
  readonly rest: number;
}

export interface OptionStatistic {
  readonly option: string;
  readonly isKey: boolean;
  readonly count: number;
  /** Share of the students given the item who took this option. */
  readonly share: number;
  /** Mean share right on the other items among those who took it; null when nobody did. */
  readonly meanRest: number | null;
  /** A wrong option whose takers do better on the rest than the takers of the key, by more than chance would often do. */
  readonly drawsTheStrong: boolean;
}

/** Sound items of which one option may be flagged by chance, and the fewest takers of an option and of the key. */
const FALSE_FLAGS = 0.05;
const LEAST_TAKERS = 5;

/** One group does better than another: a one-sided test of Welch (1947) at the given risk. */
function areAhead(rests: readonly number[], keyRests: readonly number[], risk: number): boolean {
  if (rests.length < LEAST_TAKERS || keyRests.length < LEAST_TAKERS) return false;
  const ahead = mean(rests) - mean(keyRests);
  const [own, other] = [sampleVariance(rests) / rests.length, sampleVariance(keyRests) / keyRests.length];
  if (own + other === 0) return ahead > 0;
  const freedom = (own + other) ** 2 / (own ** 2 / (rests.length - 1) + other ** 2 / (keyRests.length - 1));
  return ahead / Math.sqrt(own + other) > distribution.studentQuantile(1 - risk, freedom);
}

/**
 * Who is drawn by which option. `options` names all options in the order shown; others met in the data are added.
 * @example optionStatistics([{ option: "A", rest: 3 }, { option: "B", rest: 1 }], "A").map(({ option, share }) => [option, share]) // [["A", 0.5], ["B", 0.5]]
 */
export function optionStatistics(
  choices: readonly OptionChoice[],
  key: string,
  options: readonly string[] = [],
): OptionStatistic[] {
  const met = choices.map(({ option }) => option).filter((option) => option !== null);
  const all = [...new Set([...options, key, ...met.sort()])];
  const restOf = (option: string) => choices.filter((choice) => choice.option === option).map(({ rest }) => rest);
  const keyRest = restOf(key);
  const risk = FALSE_FLAGS / Math.max(1, all.length - 1);
  return all.map((option) => {
    const rests = restOf(option);
    const meanRest = rests.length > 0 ? mean(rests) : null;
    return {
      option,
      isKey: option === key,
      count: rests.length,
      share: choices.length > 0 ? rests.length / choices.length : 0,
      meanRest,
      drawsTheStrong: option !== key && areAhead(rests, keyRest, risk),
    };
  });
}
