import type { ItemParameters } from "../measurement/item";
import { numberFrom, type ParameterValues } from "./drawParameters";
import type { ItemBody } from "./itemBody";
import { roomOf } from "./rooms";

/** Discrimination of an item whose body states none, in the logistic metric. */
const USUAL_DISCRIMINATION = 1.4;

/**
 * Item parameters by rule of the item that its drawn values make: b is the skill's difficulty plus the body's offset, in logits; c is
 * the chance of guessing all parts right.
 */
export function itemParameters(body: ItemBody, values: ParameterValues, skillDifficulty: number): ItemParameters {
  const offset = numberFrom(body.difficultyOffset, values).valueOf();
  return {
    a: body.discrimination ?? USUAL_DISCRIMINATION,
    b: skillDifficulty + offset,
    c: body.parts.reduce((chance, part) => chance * roomOf(part.kind).guessing(part, values), 1),
  };
}
