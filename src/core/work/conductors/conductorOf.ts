import type { WorkKind } from "../../model/work";
import { amount } from "./amount";
import { check } from "./check";
import type { Conductor } from "./conductor";
import { contrast } from "./contrast";
import { depth } from "./depth";
import { diagnostic } from "./diagnostic";
import { lesson } from "./lesson";
import { paper } from "./paper";
import { practice } from "./practice";
import { quiz } from "./quiz";
import { review } from "./review";
import { sequential } from "./sequential";

/** Every kind of work by its conductor: the compiler wants each, and nothing else names one. */
const CONDUCTORS = {
  practice,
  check,
  amount,
  quiz,
  diagnostic,
  sequential,
  contrast,
  paper,
  depth,
  lesson,
  review,
} satisfies Record<WorkKind, Conductor>;

/**
 * @example conductorOf("amount").pickable // true
 */
export const conductorOf = (kind: WorkKind): Conductor => CONDUCTORS[kind];
