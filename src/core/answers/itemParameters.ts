import type { ItemParameters } from "../measurement/item";
import type { ItemModel } from "../model/content";
import { drawParameters, numberFrom } from "./drawParameters";

/** Discrimination of an item whose model states none, in the logistic metric. */
const USUAL_DISCRIMINATION = 1.4;
/** Chance of a right answer by mere guessing among the options of a choice item. */
const CHOICE_GUESSING = 0.25;

/** Item parameters of the item that a seed draws: b is the skill's difficulty plus the model's offset, in logits. */
export function itemParameters(model: ItemModel, seed: number, skillDifficulty: number): ItemParameters {
  const offset = numberFrom(model.difficultyOffset, drawParameters(model, seed)).valueOf();
  return {
    a: model.discrimination ?? USUAL_DISCRIMINATION,
    b: skillDifficulty + offset,
    c: model.kind === "choice" ? CHOICE_GUESSING : 0,
  };
}
