/** How two standards of different frameworks are tied; the weaker tie stands further down. */
export const CROSSWALK_KINDS = ["same", "related", "part-of"] as const;
export type CrosswalkKind = (typeof CROSSWALK_KINDS)[number];

export interface StandardTie {
  readonly fromId: string;
  readonly toId: string;
  readonly kind: CrosswalkKind;
}

/**
 * Standards that work aligned to some is aligned to as well, by one step of a crosswalk either way: each once, by its strongest tie,
 * the strongest first. Those that one began with are left out.
 * @example standardsThrough(["a"], [{ fromId: "b", toId: "a", kind: "same" }]) // [{ id: "b", via: "same" }]
 */
export function standardsThrough(
  ids: readonly string[],
  ties: readonly StandardTie[],
): { readonly id: string; readonly via: CrosswalkKind }[] {
  const own = new Set(ids);
  const found = new Map<string, CrosswalkKind>();
  for (const kind of CROSSWALK_KINDS)
    for (const tie of ties)
      if (tie.kind === kind) {
        const other = own.has(tie.fromId) ? tie.toId : own.has(tie.toId) ? tie.fromId : null;
        if (other !== null && !own.has(other) && !found.has(other)) found.set(other, kind);
      }
  return [...found].map(([id, via]) => ({ id, via }));
}
