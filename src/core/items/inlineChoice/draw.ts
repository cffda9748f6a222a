import { CoreError } from "../../model/fail";
import { shuffled } from "../../numeric/shuffled";
import type { DrawSetting } from "../room";
import type { DrawnGap, DrawnInlineChoice, GapBody, InlineChoiceBody } from "./body";

/**
 * The text with its gaps, each gap's options in an order that the seed sets; an option that reads as an earlier one is left out.
 * Throws "bad-item" where text and gaps do not name each other, or a gap has not one right option among two.
 */
export function draw(body: InlineChoiceBody, setting: DrawSetting): DrawnInlineChoice {
  const named = body.text.flatMap((piece) => (typeof piece === "string" ? [] : [piece.gap]));
  const ids = body.gaps.map(({ id }) => id);
  if ([...named].sort().join("\n") !== [...ids].sort().join("\n"))
    throw new CoreError("bad-item", `${setting.itemId} needs every gap once in its text.`, {
      reason: "gaps-not-in-text",
      gaps: ids,
      text: named,
    });
  const gaps = named.map((name) => drawGap(body.gaps.find(({ id }) => id === name) as GapBody, setting));
  return {
    text: body.text.map((piece) => (typeof piece === "string" ? setting.say(piece) : piece)),
    gaps,
    keyText: gaps.map(({ options, right }) => options.find(({ id }) => id === right)?.text ?? "").join("; "),
  };
}

function drawGap({ id, options, right }: GapBody, { say, random, itemId }: DrawSetting): DrawnGap {
  const key = options.find((option) => option.id === right);
  const kept = key ? [{ ...key, text: say(key.text) }] : [];
  for (const option of options) {
    const text = say(option.text);
    if (!kept.some((known) => known.text === text)) kept.push({ ...option, text });
  }
  if (!key || kept.length < 2)
    throw new CoreError("bad-item", `The gap ${id} of ${itemId} needs a right option and another.`, {
      reason: "gap-needs-options",
      at: id,
    });
  return { id, options: shuffled(kept, random), right };
}
