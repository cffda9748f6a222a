import { CoreError } from "../../model/fail";
import { shuffled } from "../../numeric/shuffled";
import { drawOptions } from "../drawOptions";
import type { DrawnOption } from "../options";
import type { DrawSetting } from "../room";
import type { DrawnSingleChoice, SingleChoiceBody } from "./body";

export const MOST_OPTIONS = 4;

/**
 * Two to four different options, exactly one right by the body's own condition, in an order that the seed sets. Throws
 * "bad-item" when the key fails that condition or nothing wrong is left beside it.
 */
export function draw(body: SingleChoiceBody, setting: DrawSetting): DrawnSingleChoice {
  const [key, ...wrong] = drawOptions(body, setting);
  const { itemId } = setting;
  if (!key?.right)
    throw new CoreError("bad-item", `The key of ${itemId} fails its own condition.`, { key: key?.text ?? "" });
  const chosen = [key];
  for (const option of wrong) {
    const fits = chosen.length < MOST_OPTIONS && option.sensible && !option.right;
    if (fits && !chosen.some((known) => known.text === option.text)) chosen.push(option);
  }
  if (chosen.length < 2) throw new CoreError("bad-item", `${itemId} gives no wrong option.`, { key: key.text });
  const options = shuffled(chosen, setting.random).map(
    ({ id, text, right, misconceptionId }): DrawnOption => ({ id, text, right, misconceptionId }),
  );
  return { options, keyText: key.text };
}
