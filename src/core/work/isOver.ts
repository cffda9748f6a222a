/**
 * Whether the time for work is over: never for work without a due time.
 * @param dueAt instant in milliseconds, or null
 * @example isOver(null, 100) // false
 */
export const isOver = (dueAt: number | null, now: number): boolean => dueAt !== null && dueAt < now;
