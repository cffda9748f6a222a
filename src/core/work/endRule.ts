import { demandThat } from "../model/fail";

/** How work on a skill ends: when we are sure, after a run of right answers, or after a number of items. */
export type EndRule =
  | {
      readonly kind: "confidence";
      readonly chance: number;
      readonly scoredAnswers: number;
      readonly items: number;
    }
  /** `right` of the last `of` answers; `right` = `of` means that many in a row. */
  | { readonly kind: "run"; readonly right: number; readonly of: number }
  | { readonly kind: "amount"; readonly items: number };

/** Throws "bad-argument" for a rule that nobody could meet or that is met before any answer. */
export function demandEndRule(rule: EndRule): void {
  const whole = (value: number) => Number.isInteger(value) && value >= 1;
  const sound =
    rule.kind === "confidence"
      ? rule.chance > 0 && rule.chance < 1 && whole(rule.scoredAnswers) && whole(rule.items)
      : rule.kind === "run"
        ? whole(rule.right) && whole(rule.of) && rule.right <= rule.of
        : whole(rule.items);
  demandThat(sound, "An end rule needs a chance within 0 to 1, whole numbers from 1 and no more right than asked.", {
    ...rule,
  });
}
