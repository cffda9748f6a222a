import { unreadable, type Verdict } from "../verdict";
import type { DrawnInlineChoice, InlineChoiceResponse } from "./body";

/** Each gap counts for itself; one left open keeps all from being scored. */
export function check({ gaps }: DrawnInlineChoice, { choices }: InlineChoiceResponse): Verdict {
  const misconceptionIds: string[] = [];
  let earned = 0;
  for (const { id, options, right } of gaps) {
    const chosen = choices[id];
    if (chosen === undefined) return unreadable("empty");
    const option = options.find((known) => known.id === chosen);
    if (!option) return unreadable("no-such-option");
    if (chosen === right) earned++;
    else if (option.misconceptionId) misconceptionIds.push(option.misconceptionId);
  }
  return { readable: true, earned, possible: gaps.length, misconceptionIds };
}
