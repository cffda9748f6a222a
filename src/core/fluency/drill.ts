/** A fact being learned: how far its repetitions lie apart by now, and the place in the drill at which it comes again. */
export interface DrilledFact {
  readonly factId: string;
  readonly gap: number;
  readonly dueAt: number;
}

/** A drill as plain data: facts being learned, unknown ones waiting, known ones by how long ago they were asked. */
export interface Drill {
  readonly place: number;
  readonly learning: readonly DrilledFact[];
  readonly waiting: readonly string[];
  readonly known: readonly string[];
}

/** Known facts between two meetings of a fact being learned, growing as it is answered in time (Tucker 1988; MacQuarrie et al. 2002). */
export const GAPS = [1, 2, 3, 5, 8] as const;
/** Unknown facts being learned at once. */
export const MOST_LEARNING = 3;
