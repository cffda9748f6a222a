import { checkText } from "../../answers/checkText";
import { allOrNothing, unreadable, type Verdict } from "../verdict";
import type { DrawnShortText, ShortTextResponse } from "./body";

/** Checks a typed text by the body's rule; a known wrong text counts for its misconception. */
export function check({ rule, misconceptionTexts }: DrawnShortText, { text }: ShortTextResponse): Verdict {
  const found = checkText(text, rule);
  if (found.verdict === "unreadable") return unreadable(found.reason);
  if (found.verdict === "right") return allOrNothing(true);
  const shown = misconceptionTexts.find(
    (known) =>
      checkText(text, { ...rule, accepted: [known.text], notAccepted: [], spelling: "exact" }).verdict === "right",
  );
  return allOrNothing(false, shown?.id);
}
