/** What a student can be given next, in the order in which it goes before the others. */
export const PRECEDENCE = ["due-work", "detour", "plan", "review", "free-choice"] as const;
export type NextKind = (typeof PRECEDENCE)[number];

/**
 * Pieces in the order in which they go first: work with a due day before a teacher's detour, that before the plan, that before review and free choice; of
 * one kind what is due first, then in the order given.
 * @example inPrecedence([{ kind: "plan", dueDay: null }, { kind: "due-work", dueDay: "2026-11-27" }])[0]?.kind // "due-work"
 */
export function inPrecedence<Piece extends { readonly kind: NextKind; readonly dueDay: string | null }>(
  pieces: readonly Piece[],
): readonly Piece[] {
  const dueOf = ({ dueDay }: Piece) => dueDay ?? "9999";
  return [...pieces].sort(
    (one, other) =>
      PRECEDENCE.indexOf(one.kind) - PRECEDENCE.indexOf(other.kind) ||
      (dueOf(one) < dueOf(other) ? -1 : dueOf(one) > dueOf(other) ? 1 : 0),
  );
}
