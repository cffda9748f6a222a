import { CoreError } from "../../model/fail";
import { shuffled } from "../../numeric/shuffled";
import { isUnique, type NamedText } from "../namedTexts";
import type { DrawSetting } from "../room";
import type { DrawnMatching, MatchingBody } from "./body";

/**
 * Things as they stand, partners in an order that the seed sets. Throws "bad-item" where a thing or a misconception names a partner that is not
 * there, or two of a side read the same.
 */
export function draw(body: MatchingBody, { say, random, itemId }: DrawSetting): DrawnMatching {
  const filled = ({ id, text }: NamedText): NamedText => ({ id, text: say(text) });
  const [things, partners] = [body.things.map(filled), body.partners.map(filled)];
  const wanted = Object.fromEntries(body.things.map(({ id, partner }) => [id, partner]));
  const isPartner = (id: string) => partners.some((known) => known.id === id);
  const areKnown = body.misconceptions.every(({ thing, partner }) => thing in wanted && isPartner(partner));
  if (
    ![things, partners].every((side) => isUnique(side.map(({ text }) => text))) ||
    !areKnown ||
    !Object.values(wanted).every(isPartner)
  )
    throw new CoreError("bad-item", `${itemId} needs sides that are told apart, and partners that are there.`, {
      reason: "sides-alike",
    });
  const textOf = (id: string | undefined) => partners.find((known) => known.id === id)?.text ?? "";
  return {
    things,
    partners: shuffled(partners, random),
    wanted,
    keyText: things.map(({ id, text }) => `${text}: ${textOf(wanted[id])}`).join("; "),
    misconceptionPairs: body.misconceptions.filter(({ thing, partner }) => wanted[thing] !== partner),
  };
}
