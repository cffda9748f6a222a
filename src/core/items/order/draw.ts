import { CoreError } from "../../model/fail";
import { shuffled } from "../../numeric/shuffled";
import { numberFrom } from "../drawParameters";
import { isUnique } from "../namedTexts";
import type { DrawSetting } from "../room";
import type { DrawnOrder, OrderBody } from "./body";

/**
 * The members in an order that the seed sets and that is not the right one. Throws "bad-item" where two read the same or have the same value,
 * where only some have one, or a misconception names other members.
 */
export function draw(body: OrderBody, setting: DrawSetting): DrawnOrder {
  const members = body.members.map(({ id, text }) => ({ id, text: setting.say(text) }));
  const wanted = wantedOrder(body, setting);
  const ids = [...wanted].sort().join("\n");
  const isOrder = (order: readonly string[]) => [...order].sort().join("\n") === ids;
  if (!isUnique(members.map(({ text }) => text)) || !body.misconceptions.every(({ order }) => isOrder(order)))
    throw new CoreError("bad-item", `${setting.itemId} needs members that are told apart.`, {
      reason: "members-alike",
    });
  const drawn = shuffled(members, setting.random);
  // The right order is not to be had for nothing: its first member goes to the end.
  const isRight = drawn.every(({ id }, place) => id === wanted[place]);
  return {
    members: isRight ? [...drawn.slice(1), ...drawn.slice(0, 1)] : drawn,
    wanted,
    keyText: wanted.map((id) => members.find((member) => member.id === id)?.text ?? "").join("; "),
    misconceptionOrders: body.misconceptions.filter(({ order }) => order.join("\n") !== wanted.join("\n")),
  };
}

function wantedOrder({ members, descending = false }: OrderBody, { values, itemId }: DrawSetting): string[] {
  const valued = members.flatMap(({ id, value }) =>
    value === undefined ? [] : [{ id, at: numberFrom(value, values) }],
  );
  if (valued.length === 0) return members.map(({ id }) => id);
  const isTie = valued.some(({ at }, place) => valued.slice(place + 1).some((other) => other.at.equals(at)));
  if (valued.length < members.length || isTie)
    throw new CoreError("bad-item", `${itemId} needs a value of its own for each member.`, { reason: "values-alike" });
  return valued.sort((x, y) => x.at.compare(y.at) * (descending ? -1 : 1)).map(({ id }) => id);
}
