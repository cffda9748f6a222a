import { loneUnknown } from "../../answers/algebra/loneUnknown";
import { readAlgebra } from "../../answers/algebra/readAlgebra";
import { solvingPath } from "../../answers/algebra/solvingPath";
import { checkAlgebra } from "../../answers/checkAlgebra";
import { CoreError } from "../../model/fail";
import type { DrawSetting } from "../room";
import type { DrawnSteps, StepsBody } from "./body";

/** The first line with a way to its end. Throws "bad-item" when it can't be read, is done already, or no way leads to an end. */
export function draw({ start, misconceptions }: StepsBody, { say, itemId }: DrawSetting): DrawnSteps {
  const first = say(start);
  const way = solvingPath(first);
  const keyText = way.at(-1)?.line;
  if (keyText === undefined || !isEnd(keyText, endForm(first)))
    throw new CoreError("bad-item", `No steps lead from the first line of ${itemId} to an end.`, {
      reason: "no-way-to-end",
      at: first,
    });
  return { keyText, start: first, way, slips: misconceptions };
}

/** An equation that holds for every number or for none has no line that solves it. */
function isEnd(line: string, form: "solved" | "collected"): boolean {
  const read = readAlgebra(line);
  if ("unreadable" in read || (form === "solved" && !loneUnknown(read))) return false;
  return checkAlgebra(line, line, form).verdict === "right";
}

/**
 * How the last line has to be written: an equation or inequality solved, an expression collected.
 * @example endForm("2x = 4") // "solved"
 */
export const endForm = (line: string): "solved" | "collected" => (/[=<>≤≥]/.test(line) ? "solved" : "collected");
