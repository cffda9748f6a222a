import { CoreError } from "../../model/fail";
import { isUnique } from "../namedTexts";
import type { DrawSetting } from "../room";
import type { DrawnSelectWords, SelectWordsBody } from "./body";

/** The text with what can be selected in it. Throws "bad-item" unless some of that is right and some is wrong, under ids of their own. */
export function draw({ text }: SelectWordsBody, { say, itemId }: DrawSetting): DrawnSelectWords {
  const pieces = text.map((piece) => ({
    text: say(piece.text),
    id: piece.id ?? null,
    right: piece.id !== undefined && piece.right === true,
    misconceptionId: piece.right === true ? null : (piece.misconceptionId ?? null),
  }));
  const ids = pieces.flatMap(({ id }) => id ?? []);
  const right = pieces.filter((piece) => piece.right);
  if (right.length === 0 || right.length === ids.length || !isUnique(ids))
    throw new CoreError("bad-item", `${itemId} needs words that are right and others that are wrong.`, {
      reason: "select-right-and-wrong",
    });
  return { pieces, keyText: right.map((piece) => piece.text.trim()).join("; ") };
}
