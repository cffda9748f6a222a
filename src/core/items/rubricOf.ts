import type { DrawnPart } from "./drawItem";
import { roomOf } from "./rooms";
import type { RubricCriterion } from "./written/body";

/** By what a person scores a part; null where it is scored at once. */
export const rubricOf = ({ kind, drawn }: DrawnPart): readonly RubricCriterion[] | null =>
  roomOf(kind).rubric?.(drawn) ?? null;
