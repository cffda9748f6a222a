import { checkText } from "../../answers/checkText";
import { CoreError } from "../../model/fail";
import type { DrawSetting } from "../room";
import type { DrawnShortText, ShortTextBody } from "./body";

/** The rule and the telling wrong texts of a draw. Throws "bad-item" when a text that shows a misconception is right. */
export function draw(body: ShortTextBody, { say, itemId }: DrawSetting): DrawnShortText {
  const { accepted, misconceptions, notAccepted = [], ...looseness } = body;
  const misconceptionTexts = misconceptions.map(({ id, text }) => ({ id, text: say(text) }));
  const rule = {
    ...looseness,
    accepted: accepted.map(say),
    // A word that shows a misconception is no misspelling of the right one, however near it is.
    notAccepted: [...notAccepted.map(say), ...misconceptionTexts.map(({ text }) => text)],
  };
  for (const { text } of misconceptionTexts)
    if (checkText(text, rule).verdict === "right")
      throw new CoreError("bad-item", `${itemId} takes a mistake for right.`, { reason: "mistake-is-right", at: text });
  return { rule, keyText: rule.accepted[0] ?? "", misconceptionTexts };
}
