import { mean } from "../numeric/mean";

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
  /** A wrong option whose takers do better on the rest than the takers of the key. */
  readonly drawsTheStrong: boolean;
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
  return all.map((option) => {
    const rests = restOf(option);
    const meanRest = rests.length > 0 ? mean(rests) : null;
    const beatsKey = meanRest !== null && keyRest.length > 0 && meanRest > mean(keyRest);
    return {
      option,
      isKey: option === key,
      count: rests.length,
      share: choices.length > 0 ? rests.length / choices.length : 0,
      meanRest,
      drawsTheStrong: option !== key && beatsKey,
    };
  });
}
