const MOST_NAMES = 5;

/** "Ada, Ben and 3 more". */
export function namesOf(students: readonly { readonly name: string }[], between = ", "): string {
  const names = [...new Set(students.map(({ name }) => name))];
  const first = names.slice(0, MOST_NAMES);
  return names.length > first.length
    ? `${first.join(between)} and ${names.length - first.length} more`
    : first.join(between);
}

/** "1 student", "3 students". */
export const students = (count: number): string => (count === 1 ? "1 student" : `${count} students`);

/** Who a line is about, whatever the order. */
export const idsOf = (some: readonly { readonly id: string }[]): string =>
  [...new Set(some.map(({ id }) => id))].sort().join(" ");
