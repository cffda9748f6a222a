import { mean } from "../numeric/mean";

/** What one student put into a piece of work, or into some weeks, counted. */
export interface PutInCounts {
  /** Active seconds, and what the same work usually takes. */
  readonly seconds: number;
  readonly usualSeconds: number;
  /** Parts of lessons that were at hand where something was missed (the reading, the model), and those opened. */
  readonly lessonParts: number;
  readonly lessonPartsOpened: number;
  /** Misses after which another try was open, and those tried again. */
  readonly misses: number;
  readonly triedAgain: number;
  /** Answers with a time, and those too fast to have been read. */
  readonly answers: number;
  readonly rapid: number;
}

/** Work put in: four figures, each 0 to 1, null where there was nothing to put it into. Their mean only orders a list. */
export interface PutIn {
  readonly time: number | null;
  readonly lessons: number | null;
  readonly tries: number | null;
  readonly notRapid: number | null;
  readonly mean: number | null;
}

/**
 * The four figures of what was put in (docs/measurement.md, after a test): active time against the work's usual time, at most 1; parts of lessons
 * opened; misses followed by another try; answers that were not rapid.
 * @example putIn({ seconds: 300, usualSeconds: 600, lessonParts: 0, lessonPartsOpened: 0, misses: 4, triedAgain: 3, answers: 10, rapid: 1 }).tries // 0.75
 */
export function putIn(counts: PutInCounts): PutIn {
  const share = (of: number, all: number) => (all > 0 ? Math.min(1, of / all) : null);
  const four = {
    time: share(counts.seconds, counts.usualSeconds),
    lessons: share(counts.lessonPartsOpened, counts.lessonParts),
    tries: share(counts.triedAgain, counts.misses),
    notRapid: counts.answers > 0 ? 1 - counts.rapid / counts.answers : null,
  };
  const known = Object.values(four).filter((figure) => figure !== null);
  return { ...four, mean: known.length === 0 ? null : mean(known) };
}

/** What to do about what came of it: teach, talk, stretch, or leave it as it is; "not-begun" has nothing to judge. */
export type PutInMove = "teach" | "talk" | "stretch" | "goes-well" | "not-begun";

/** Less than these says that little was put in: of the usual time, of misses tried again, of answers read. What is opened of lessons is everybody's own choice. */
const ENOUGH = { time: 0.7, tries: 0.5, notRapid: 0.85 } as const;

/**
 * Whether work was put in: none of the figures speaks against it. Null where there is nothing to judge by.
 * @example wasPutIn({ time: 0.5, lessons: 1, tries: 1, notRapid: 1, mean: 0.9 }) // false
 */
export function wasPutIn({ time, tries, notRapid }: PutIn): boolean | null {
  if (time === null && notRapid === null) return null;
  return (time ?? 1) >= ENOUGH.time && (tries ?? 1) >= ENOUGH.tries && (notRapid ?? 1) >= ENOUGH.notRapid;
}

/**
 * Much put in with little to show needs teaching; little put in with little to show needs a talk; little put in with much to show needs something
 * further. `result` and `line` are shares, 0 to 1; the result is null where nothing was answered.
 * @example moveFor({ time: 1, lessons: null, tries: null, notRapid: 1, mean: 1 }, 0.4, 0.7) // "teach"
 */
export function moveFor(figures: PutIn, result: number | null, line: number): PutInMove {
  const put = wasPutIn(figures);
  if (put === null || result === null) return "not-begun";
  if (result < line) return put ? "teach" : "talk";
  return put ? "goes-well" : "stretch";
}
