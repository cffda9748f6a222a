import { allOrNothing, unreadable, type Verdict } from "../verdict";
import type { DrawnSingleChoice, SingleChoiceResponse } from "./body";

/** Checks the chosen option by its stable id, in whatever order the options stood. */
export function check({ options }: DrawnSingleChoice, response: SingleChoiceResponse): Verdict {
  const option = options.find(({ id }) => id === response.option);
  if (!option) return unreadable(response.option === "" ? "empty" : "no-such-option");
  return allOrNothing(option.right, option.misconceptionId);
}
