/** Share of the students in each of the two outer groups (Kelley 1939). */
const OUTER_SHARE = 0.27;

/**
 * Share right in the upper 27 % less that in the lower 27 % by total score, -1 to 1. Students tied at a cut enter both groups'
 * counts with the fraction that fills the group, so that the order of rows does not matter. Null for fewer than two students.
 * @example upperLowerIndex([{ total: 9, right: 1 }, { total: 1, right: 0 }]) // 1
 */
export function upperLowerIndex(
  students: readonly { readonly total: number; readonly right: number }[],
): number | null {
  if (students.length < 2) return null;
  const size = OUTER_SHARE * students.length;
  return shareOfOuter(students, size, -1) - shareOfOuter(students, size, 1);
}

/** Share right among the `size` students with the highest (-1) or lowest (1) totals. */
function shareOfOuter(
  students: readonly { readonly total: number; readonly right: number }[],
  size: number,
  direction: 1 | -1,
): number {
  const totals = [...new Set(students.map(({ total }) => total))].sort((x, y) => direction * (x - y));
  let [room, right] = [size, 0];
  for (const total of totals) {
    const tied = students.filter((student) => student.total === total);
    const share = Math.min(1, room / tied.length);
    right += share * tied.reduce((sum, student) => sum + student.right, 0);
    room -= share * tied.length;
    if (room <= 0) break;
  }
  return right / size;
}
