import { checkSet } from "../../answers/checkSet";
import { unreadable, type Verdict } from "../verdict";
import type { DrawnSelectWords, SelectWordsResponse } from "./body";

/** Right ones less wrong ones over the number wanted, not under 0. */
export function check({ pieces }: DrawnSelectWords, { chosen }: SelectWordsResponse): Verdict {
  if (chosen.length === 0) return unreadable("empty");
  const selected = chosen.flatMap((id) => pieces.find((piece) => piece.id === id) ?? []);
  if (selected.length < chosen.length) return unreadable("no-such-option");
  const wanted = pieces.flatMap(({ id, right }) => (right && id !== null ? [id] : []));
  const { share } = checkSet(chosen, wanted);
  return {
    readable: true,
    earned: Math.round(share.mul(wanted.length).valueOf()),
    possible: wanted.length,
    misconceptionIds: selected.flatMap(({ misconceptionId }) => misconceptionId ?? []),
  };
}
