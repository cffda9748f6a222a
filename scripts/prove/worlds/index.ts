import { asBelieved } from "./asBelieved";
import { copying } from "./copying";
import { easierItems } from "./easierItems";
import { fastAndSlow } from "./fastAndSlow";
import { forgetting } from "./forgetting";
import { guessable } from "./guessable";
import { hintAbuse } from "./hintAbuse";
import { itemsOff } from "./itemsOff";
import { justUnder } from "./justUnder";
import { modelsApart } from "./modelsApart";
import { noLearning } from "./noLearning";
import { rushing } from "./rushing";
import { severalAbilities } from "./severalAbilities";
import { weakClass } from "./weakClass";
import type { World } from "./world";

/** The worlds in which mastery is proved: none of them is the application's own model. */
export const WORLDS: readonly World[] = [
  asBelieved,
  noLearning,
  fastAndSlow,
  weakClass,
  itemsOff,
  easierItems,
  guessable,
  modelsApart,
  severalAbilities,
  forgetting,
  hintAbuse,
  rushing,
  copying,
  justUnder,
];
