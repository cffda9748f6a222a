import { markOfFirstTries } from "../markOfFirstTries";
import type { Conductor } from "./conductor";
import { endOfFixed, nextOfFixed } from "./fixedLength";
import { overAfterTries } from "./overAfterTries";

/** A fixed number of items, one try each, the same hardness for everybody; nothing is told before it is handed in. */
export const check: Conductor = {
  begin: () => ({}),
  next: nextOfFixed,
  take: overAfterTries(1),
  end: endOfFixed,
  atEnd: () => ({}),
  tells: { verdict: false, hints: false, count: false },
  endsWhenSure: false,
  placements: ({ placements }) => placements,
  endsWithTime: false,
  looksAhead: true,
  setsAside: false,
  standsWhole: false,
  onPaper: false,
  isHandedInWhole: () => false,
  goesOver: { by: "skills", least: 1, most: 6 },
  pickable: false,
  mark: markOfFirstTries,
};
