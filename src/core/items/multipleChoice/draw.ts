import { CoreError } from "../../model/fail";
import { shuffled } from "../../numeric/shuffled";
import { drawOptions } from "../drawOptions";
import type { DrawnOption } from "../options";
import type { DrawSetting } from "../room";
import type { DrawnMultipleChoice, MultipleChoiceBody } from "./body";

export const MOST_OPTIONS = 8;

/**
 * Up to eight different options in an order that the seed sets; two that read the same become one. Throws "bad-item" unless
 * some are right and some are wrong.
 */
export function draw(body: MultipleChoiceBody, setting: DrawSetting): DrawnMultipleChoice {
  const chosen: DrawnOption[] = [];
  for (const { id, text, right, sensible, misconceptionId } of drawOptions(body, setting)) {
    const fits = chosen.length < MOST_OPTIONS && sensible && !chosen.some((known) => known.text === text);
    if (fits) chosen.push({ id, text, right, misconceptionId: right ? null : misconceptionId });
  }
  const right = chosen.filter((option) => option.right);
  if (right.length === 0 || right.length === chosen.length)
    throw new CoreError("bad-item", `${setting.itemId} needs options that are right and others that are wrong.`, {
      reason: right.length === 0 ? "no-key" : "nothing-wrong",
    });
  return { options: shuffled(chosen, setting.random), keyText: right.map(({ text }) => text).join("; ") };
}
