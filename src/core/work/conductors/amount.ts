import { markOfFirstTries } from "../markOfFirstTries";
import type { Conductor } from "./conductor";
import { endOfFixed, nextOfFixed } from "./fixedLength";
import { overAfterTries } from "./overAfterTries";
import { USUAL } from "./usual";

/**
 * A fixed number of items, picked by hand or drawn, told after each try and tried again as often as was set (usually once more); the mark is the
 * share right at the first try.
 */
export const amount: Conductor = {
  ...USUAL,
  next: (situation, shown) => {
    const aim = nextOfFixed(situation, shown);
    // With one belief for all, what lies nearest would be the same two item models again and again.
    return aim && "belief" in aim ? { ...aim, evenly: true } : aim;
  },
  take: (given, { tries }) => overAfterTries(tries ?? 2)(given),
  end: endOfFixed,
  tells: { verdict: true, hints: true, count: true },
  goesOver: { by: "skills", least: 1, most: 6 },
  pickable: true,
  mark: markOfFirstTries,
};
