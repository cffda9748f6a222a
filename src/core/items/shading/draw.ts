import { CoreError } from "../../model/fail";
import { rational } from "../../numeric/rational";
import { numberFrom } from "../drawParameters";
import type { DrawSetting } from "../room";
import type { DrawnShading, ShadingBody } from "./body";

const MOST_PARTS = 100;

/**
 * The figure of a draw. Throws "bad-item" unless it has 2 to 100 parts in full rows and the fraction is a whole number of them; a telling fraction
 * that is not, or that is right, is left out.
 */
export function draw(body: ShadingBody, { values, itemId }: DrawSetting): DrawnShading {
  const parts = numberFrom(body.parts, values).valueOf();
  const columns = body.columns === undefined ? parts : numberFrom(body.columns, values).valueOf();
  const countOf = (expression: string): number | null => {
    const count = numberFrom(expression, values).mul(rational(parts));
    return count.d === 1n && count.compare(0) >= 0 && count.compare(parts) <= 0 ? count.valueOf() : null;
  };
  const isFigure =
    Number.isInteger(parts) && parts >= 2 && parts <= MOST_PARTS && columns >= 1 && parts % columns === 0;
  const right = isFigure ? countOf(body.right) : null;
  if (right === null)
    throw new CoreError("bad-item", `${itemId} needs full rows of up to ${MOST_PARTS} parts, and a number of them.`, {
      reason: "parts-not-whole",
    });
  return {
    parts,
    columns,
    right,
    keyText: `${right}/${parts}`,
    misconceptionCounts: body.misconceptions.flatMap(({ id, value }) => {
      const count = countOf(value);
      return count === null || count === right ? [] : [{ id, count }];
    }),
  };
}
