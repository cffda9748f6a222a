/** The days on which lessons are. */
export const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday"] as const;

/** A lesson of the week, such as "1-3", as "Monday, lesson 3". */
export function slotWords(slot: string): string {
  const [day, lesson] = slot.split("-").map(Number);
  return `${WEEKDAYS[(day ?? 1) - 1] ?? ""}, lesson ${lesson ?? ""}`;
}
