/** A wrong answer that matched a misconception's rule. */
export interface MisconceptionSign {
  readonly studentId: string;
  readonly misconceptionId: string;
  readonly itemId: string;
}

export interface RankedMisconception {
  readonly misconceptionId: string;
  readonly studentIds: readonly string[];
  readonly itemIds: readonly string[];
  readonly answers: number;
}

/** Misconceptions by how many students showed them, then by answers: one student's ten slips do not outrank three students. */
export function rankMisconceptions(signs: readonly MisconceptionSign[]): RankedMisconception[] {
  return [...new Set(signs.map(({ misconceptionId }) => misconceptionId))]
    .map((misconceptionId) => {
      const own = signs.filter((sign) => sign.misconceptionId === misconceptionId);
      return {
        misconceptionId,
        studentIds: [...new Set(own.map(({ studentId }) => studentId))],
        itemIds: [...new Set(own.map(({ itemId }) => itemId))],
        answers: own.length,
      };
    })
    .sort(
      (x, y) =>
        y.studentIds.length - x.studentIds.length ||
        y.answers - x.answers ||
        (x.misconceptionId < y.misconceptionId ? -1 : 1),
    );
}
