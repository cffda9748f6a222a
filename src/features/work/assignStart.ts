/** How the page for giving work begins, as a link to it says. */
export interface AssignStart {
  readonly skillIds: readonly string[];
  /** After so many items; null where the work ends when the skills are mastered. */
  readonly items: number | null;
  /** Empty for the names of the skills. */
  readonly title: string;
  readonly made: "practice" | "quiz" | "pair";
}

/** Reads what a link says; what makes no sense is left out. */
export function assignStart(search: Readonly<Record<string, string | undefined>>): AssignStart {
  const items = Number(search.amount ?? "");
  return {
    skillIds: (search.skill ?? "").split("~").filter((id) => id !== ""),
    items: Number.isInteger(items) && items >= 4 && items <= 40 ? items : null,
    title: (search.title ?? "").slice(0, 80),
    made: search.kind === "test" ? "quiz" : search.kind === "pair" ? "pair" : "practice",
  };
}
