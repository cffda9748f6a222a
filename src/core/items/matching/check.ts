import { checkMatching } from "../../answers/checkMatching";
import { unreadable, type Verdict } from "../verdict";
import type { DrawnMatching, MatchingResponse } from "./body";

/** Each thing counts for itself; one left without a partner keeps all from being scored. */
export function check(
  { things, partners, wanted, misconceptionPairs }: DrawnMatching,
  { pairs }: MatchingResponse,
): Verdict {
  const given = things.map(({ id }) => pairs[id]);
  if (given.includes(undefined)) return unreadable("empty");
  if (!given.every((partner) => partners.some(({ id }) => id === partner))) return unreadable("no-such-option");
  const { share } = checkMatching(pairs, wanted);
  return {
    readable: true,
    earned: Math.round(share.mul(things.length).valueOf()),
    possible: things.length,
    misconceptionIds: misconceptionPairs.flatMap(({ id, thing, partner }) => (pairs[thing] === partner ? [id] : [])),
  };
}
