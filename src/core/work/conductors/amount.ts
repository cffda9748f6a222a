import { markOfFirstTries } from "../markOfFirstTries";
import type { Conductor } from "./conductor";
import { endOfFixed, nextOfFixed } from "./fixedLength";
import { overAfterTries } from "./overAfterTries";

/**
 * A fixed number of items, picked by hand or drawn, told after each try and tried again as often as was set (usually once more); the mark is the
 * share right at the first try.
 */
export const amount: Conductor = {
  begin: () => ({}),
  next: nextOfFixed,
  take: (given, { tries }) => overAfterTries(tries ?? 2)(given),
  end: endOfFixed,
  atEnd: () => ({}),
  tells: { verdict: true, hints: true, count: true },
  endsWhenSure: false,
  placements: ({ placements }) => placements,
  endsWithTime: false,
  looksAhead: true,
  setsAside: false,
  standsWhole: false,
  onPaper: false,
  isHandedInWhole: () => false,
  goesOver: { by: "skills", least: 1, most: 6 },
  pickable: true,
  mark: markOfFirstTries,
};
