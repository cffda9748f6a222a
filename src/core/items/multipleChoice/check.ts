import { checkSet } from "../../answers/checkSet";
import { unreadable, type Verdict } from "../verdict";
import type { DrawnMultipleChoice, MultipleChoiceResponse } from "./body";

/**
 * Checks a choice of several: right ones less wrong ones over the number wanted, not under 0, so that choosing everything
 * earns nothing extra.
 */
export function check({ options }: DrawnMultipleChoice, response: MultipleChoiceResponse): Verdict {
  if (response.options.length === 0) return unreadable("empty");
  const chosen = response.options.flatMap((id) => options.find((option) => option.id === id) ?? []);
  if (chosen.length < response.options.length) return unreadable("no-such-option");
  const wanted = options.filter(({ right }) => right).map(({ id }) => id);
  const { share } = checkSet(response.options, wanted);
  return {
    readable: true,
    earned: Number(share.mul(wanted.length).n),
    possible: wanted.length,
    misconceptionIds: chosen.flatMap(({ misconceptionId }) => misconceptionId ?? []),
  };
}
