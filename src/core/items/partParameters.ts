import type { ItemParameters } from "../measurement/item";
import type { ParameterValues } from "./drawParameters";
import type { ItemVersion } from "./itemBody";
import { roomOf } from "./rooms";

/**
 * Parameters for one part of an item: those of the whole, but with the part's own chance of guessing where there are several.
 * Throws nothing; a part that the body does not have gets those of the whole.
 */
export function partParameters(
  { body }: ItemVersion,
  partId: string,
  values: ParameterValues,
  whole: ItemParameters,
): ItemParameters {
  const part = body.parts.find(({ id }) => id === partId);
  return part && body.parts.length > 1 ? { ...whole, c: roomOf(part.kind).guessing(part, values) } : whole;
}
