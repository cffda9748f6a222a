import { masteryRule } from "../mastery/masteryReached";
import { demandThat } from "../model/fail";
import type { PartSettings } from "../model/work";

/** How work on a skill ends: when we are sure, after a run of right answers, at a net score, or after a number of items. */
export type EndRule =
  | {
      readonly kind: "confidence";
      readonly chance: number;
      readonly scoredAnswers: number;
      readonly items: number;
    }
  /** `right` of the last `of` answers; `right` = `of` means that many in a row. */
  | { readonly kind: "run"; readonly right: number; readonly of: number }
  /** Right answers less the penalty for each wrong one, never under nought. */
  | { readonly kind: "net"; readonly target: number; readonly penalty: number }
  | { readonly kind: "amount"; readonly items: number };

/** Throws "bad-argument" for a rule that nobody could meet or that is met before any answer. */
export function demandEndRule(rule: EndRule): void {
  const whole = (value: number) => Number.isInteger(value) && value >= 1;
  const sound =
    rule.kind === "confidence"
      ? rule.chance > 0 && rule.chance < 1 && whole(rule.scoredAnswers) && whole(rule.items)
      : rule.kind === "run"
        ? whole(rule.right) && whole(rule.of) && rule.right <= rule.of
        : rule.kind === "net"
          ? whole(rule.target) && rule.penalty >= 0 && rule.penalty <= rule.target
          : whole(rule.items);
  demandThat(sound, "An end rule needs a chance within 0 to 1, whole numbers from 1 and no more right than asked.", {
    ...rule,
  });
}

/**
 * How practice on a skill ends, by its settings.
 * @example practiceRule({ end: { by: "run", right: 5, of: 5 } }) // { kind: "run", right: 5, of: 5 }
 */
export function practiceRule({ end = { by: "sure" }, certainty }: Pick<PartSettings, "end" | "certainty">): EndRule {
  switch (end.by) {
    case "sure":
      return masteryRule(certainty);
    case "run":
      return { kind: "run", right: end.right, of: end.of };
    case "net":
      return { kind: "net", target: end.target, penalty: end.penalty };
  }
}

/**
 * The fewest items that could end work on a skill, for a budget that is a multiple of them.
 * @example fewestItems({ kind: "run", right: 5, of: 6 }) // 5
 */
export function fewestItems(rule: EndRule): number {
  switch (rule.kind) {
    case "confidence":
      return rule.scoredAnswers;
    case "run":
      return rule.right;
    case "net":
      return rule.target;
    case "amount":
      return rule.items;
  }
}
