/** What items are told apart by in the search. */
export const FACETS = [
  "bank",
  "grade",
  "kind",
  "skill",
  "depth",
  "language",
  "author",
  "passage",
  "use",
  "added",
  "status",
] as const;
export type Facet = (typeof FACETS)[number];

export const ITEM_ORDERS = ["best", "newest", "easiest", "hardest", "passage"] as const;
export type ItemOrder = (typeof ITEM_ORDERS)[number];

/** What somebody looks for, as it stands in the address. */
export interface FinderQuery {
  readonly words: string;
  readonly chosen: Readonly<Partial<Record<Facet, readonly string[]>>>;
  readonly standardId: string | null;
  readonly retired: boolean;
  readonly order: ItemOrder;
  readonly from: number;
}

type Search = Readonly<Record<string, string | readonly string[] | undefined>>;

const textOf = (value: Search[string]): string => (typeof value === "string" ? value : (value?.[0] ?? ""));

/** The query that an address holds; what it does not know is left out. */
export function finderQuery(search: Search): FinderQuery {
  const chosen: Partial<Record<Facet, readonly string[]>> = {};
  for (const facet of FACETS) {
    const values = textOf(search[facet])
      .split("~")
      .filter((value) => value !== "");
    if (values.length > 0) chosen[facet] = values.slice(0, 50);
  }
  const order = textOf(search.order);
  const from = Number(textOf(search.from));
  return {
    words: textOf(search.find).slice(0, 200),
    chosen,
    standardId: textOf(search.standard) || null,
    retired: textOf(search.retired) === "yes",
    order: ITEM_ORDERS.find((one) => one === order) ?? "best",
    from: Number.isInteger(from) && from > 0 ? Math.min(from, 100_000) : 0,
  };
}
