import type { ComposeView } from "../../types";
import { type Composition, isTest } from "./composition";

const MOST_LETTERS = 80;

/** A title from what is asked, and of a test its kind. */
export function proposedTitle(view: ComposeView, { made, skillIds, test }: Composition): string {
  const ids = isTest(made) ? test.skills.map(({ skillId }) => skillId) : skillIds;
  const chosen = view.skills.filter(({ id }) => ids.includes(id));
  if (chosen.length === 0) return "";
  const strands = [...new Set(chosen.map(({ strand }) => strand))];
  const names = chosen.map(({ name }) => name);
  const what = !isTest(made)
    ? names.join(" and ")
    : chosen.length <= 2
      ? names.join(" and ")
      : strands.length === 1
        ? (strands[0] ?? "")
        : `${names[0]} and ${names.length - 1} more`;
  const kind = made === "quiz" ? "Test: " : made === "pair" ? "Before and after: " : "";
  return `${kind}${what}`.slice(0, MOST_LETTERS);
}
