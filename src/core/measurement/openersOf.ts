/** An item of a test as an opener for the next lesson is chosen by it. */
export interface OpenerItem {
  readonly id: string;
  /** Students who were given it, and those who missed it. */
  readonly given: number;
  readonly missed: number;
  /** Correlation with the rest of the test; null where the data carry none. */
  readonly discrimination: number | null;
  /** The mistakes that its wrong answers show, the most common first. */
  readonly misconceptionIds: readonly string[];
}

const MOST_OPENERS = 3;
/** What fewer missed than this share is no matter for the whole class. */
const LEAST_SHARE = 0.2;
/** Few students carry no correlation: then the item is worth what an ordinary one is. */
const USUAL_DISCRIMINATION = 0.3;
/** An item that tells nothing of the rest may still be worth a word. */
const LEAST_DISCRIMINATION = 0.05;

/**
 * Up to three items to open the next lesson with, by students who missed them times discrimination: none missed by fewer than a fifth, and
 * each with another leading mistake than those before it. Equal ones keep their order.
 * @example openersOf([{ id: "a", given: 20, missed: 3, discrimination: 0.5, misconceptionIds: [] }]) // []
 */
export function openersOf<Item extends OpenerItem>(items: readonly Item[]): Item[] {
  const worth = ({ missed, discrimination }: Item) =>
    missed * Math.max(LEAST_DISCRIMINATION, discrimination ?? USUAL_DISCRIMINATION);
  const chosen: Item[] = [];
  const used = new Set<string>();
  const ranked = items
    .filter(({ given, missed }) => given > 0 && missed / given >= LEAST_SHARE)
    .sort((x, y) => worth(y) - worth(x));
  for (const item of ranked) {
    const [leading] = item.misconceptionIds;
    if (chosen.length === MOST_OPENERS || (leading !== undefined && used.has(leading))) continue;
    if (leading !== undefined) used.add(leading);
    chosen.push(item);
  }
  return chosen;
}
