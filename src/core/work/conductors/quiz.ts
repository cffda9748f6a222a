import { markOfTest } from "../markOfTest";
import { missedInRun } from "../missedInRun";
import type { Conductor } from "./conductor";
import { endOfFixed, nextOfFixed } from "./fixedLength";
import { overAfterTries } from "./overAfterTries";
import { USUAL } from "./usual";

/**
 * A test: the same form for everybody, one try an item, nothing told before it is released. Where one may go back, answers are worth something once
 * the whole is handed in. The mark is the share of the points over all items.
 */
export const quiz: Conductor = {
  ...USUAL,
  next: nextOfFixed,
  take: overAfterTries(1),
  end: (situation) => {
    const end = endOfFixed(situation);
    return situation.settings.goBack === true ? { ...end, done: false, reason: null } : end;
  },
  atEnd: (situation) => ({ missed: missedInRun(situation) }),
  tells: { verdict: false, hints: false, count: false },
  goesOver: { by: "skills", least: 1, most: 30 },
  pickable: true,
  endsWithTime: true,
  standsWhole: true,
  isHandedInWhole: ({ goBack }) => goBack === true,
  mark: ({ items }) => markOfTest(items),
};
