import { demandThat } from "../model/fail";
import { rational } from "../numeric/rational";
import { type PartialCheck, partialCheck } from "./partialCheck";

/**
 * Checks an order: how few members would have to be moved. The longest row that already stands in the right order, less one,
 * over the most there can be, less one: one member out of place costs one step, a reversed order earns nothing. Throws
 * "bad-argument" unless the same two or more different members were ordered.
 * @example checkOrder(["a", "c", "b"], ["a", "b", "c"]).share.toFraction() // "1/2"
 */
export function checkOrder(given: readonly string[], wanted: readonly string[]): PartialCheck {
  const places = given.map((member) => wanted.indexOf(member));
  demandThat(
    wanted.length > 1 &&
      given.length === wanted.length &&
      new Set(places).size === wanted.length &&
      !places.includes(-1),
    "An order needs two or more different members, the same on both sides.",
  );
  // Longest increasing run through each place (Fredman 1975, in its plain quadratic form: lists here are short).
  const longest: number[] = [];
  places.forEach((place, at) => {
    const before = longest.filter((_, earlier) => (places[earlier] ?? 0) < place);
    longest[at] = 1 + Math.max(0, ...before);
  });
  return partialCheck(rational(Math.max(...longest) - 1, wanted.length - 1));
}
