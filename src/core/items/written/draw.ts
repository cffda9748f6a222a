import type { DrawSetting } from "../room";
import type { DrawnWritten, WrittenBody } from "./body";

/** The rubric and the sample answer with their slots filled. */
export function draw({ length, criteria, showCriteria, sample }: WrittenBody, { say }: DrawSetting): DrawnWritten {
  return {
    keyText: say(sample),
    length,
    showCriteria,
    criteria: criteria.map((one) => ({ ...one, name: say(one.name), levels: one.levels.map(say) })),
  };
}
