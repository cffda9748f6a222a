import { markOfTest } from "../markOfTest";
import { missedInRun } from "../missedInRun";
import type { Conductor } from "./conductor";
import { endOfFixed, nextOfFixed } from "./fixedLength";
import { overAfterTries } from "./overAfterTries";
import { USUAL } from "./usual";

/** A test on paper: the same form for everybody, printed; what each item earned is typed in by whoever read it. The mark is the share of the points over all items. */
export const paper: Conductor = {
  ...USUAL,
  next: nextOfFixed,
  take: overAfterTries(1),
  end: endOfFixed,
  atEnd: (situation) => ({ missed: missedInRun(situation) }),
  tells: { verdict: false, hints: false, count: false },
  goesOver: { by: "skills", least: 1, most: 30 },
  pickable: true,
  standsWhole: true,
  onPaper: true,
  mark: ({ items }) => markOfTest(items),
};
