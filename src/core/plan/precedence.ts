/** What a student can be given next, in the order in which it goes before the others. */
export const PRECEDENCE = ["due-work", "detour", "plan", "review", "free-choice"] as const;
export type NextKind = (typeof PRECEDENCE)[number];

/**
 * What comes first: work with a due day before a teacher's detour, that before the plan, that before review and free choice; of one kind what is due first,
 * then in the order given. Null for nothing.
 * @example comesFirst([{ kind: "plan", dueDay: null }, { kind: "due-work", dueDay: "2026-11-27" }])?.kind // "due-work"
 */
export function comesFirst<Piece extends { readonly kind: NextKind; readonly dueDay: string | null }>(
  pieces: readonly Piece[],
): Piece | null {
  for (const kind of PRECEDENCE) {
    const own = pieces.filter((piece) => piece.kind === kind);
    const dues = own.flatMap(({ dueDay }) => dueDay ?? []).sort();
    const first = own.find(({ dueDay }) => dueDay === dues[0]) ?? own[0];
    if (first) return first;
  }
  return null;
}
