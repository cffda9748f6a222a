import { CoreError } from "../../model/fail";
import { shuffled } from "../../numeric/shuffled";
import { drawOptions, hasOwnTexts } from "../drawOptions";
import type { DrawnOption } from "../options";
import type { DrawSetting } from "../room";
import type { DrawnSingleChoice, SingleChoiceBody } from "./body";

export const MOST_OPTIONS = 4;

/**
 * Two to four different options, exactly one right, in an order that the seed sets: the first option where a condition says what is
 * right, otherwise the one that says so itself. Throws "bad-item" when the key fails that condition, when there is none or several,
 * or nothing wrong is left beside it. Options with texts of their own are all shown.
 */
export function draw(body: SingleChoiceBody, setting: DrawSetting): DrawnSingleChoice {
  const all = drawOptions(body, setting);
  const hasTexts = hasOwnTexts(body);
  const key = hasTexts ? all.find(({ right }) => right) : all[0];
  const { itemId } = setting;
  if (!key?.right)
    throw new CoreError("bad-item", `The key of ${itemId} fails its own condition.`, {
      reason: hasTexts ? "no-key" : "key-fails",
      at: key?.text ?? "",
    });
  if (hasTexts && all.filter(({ right }) => right).length > 1)
    throw new CoreError("bad-item", `${itemId} has several right options.`, { reason: "several-keys" });
  const chosen = [key];
  for (const option of all) {
    const fits = (hasTexts || chosen.length < MOST_OPTIONS) && option.sensible && !option.right;
    if (fits && !chosen.some((known) => known.text === option.text)) chosen.push(option);
  }
  if (chosen.length < 2)
    throw new CoreError("bad-item", `${itemId} gives no wrong option.`, { reason: "nothing-wrong" });
  const options = shuffled(chosen, setting.random).map(
    ({ id, text, right, misconceptionId }): DrawnOption => ({ id, text, right, misconceptionId }),
  );
  return { options, keyText: key.text };
}
