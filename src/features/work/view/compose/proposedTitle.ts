import type { ComposeView } from "../../types";
import { type Composition, goesByStrand, isTest, type Made, PRESETS, skillsOfStrands } from "./composition";
import { seriesOf } from "./seriesChoice";

const MOST_LETTERS = 80;

const PREFIXES: Readonly<Partial<Record<Made, string>>> = {
  quiz: "Test: ",
  pair: "Before and after: ",
  sequential: "Short check: ",
  contrast: "Telling apart: ",
  lesson: "Read: ",
};

/** A title from what is asked, and of a test its kind. */
export function proposedTitle(view: ComposeView, composition: Composition): string {
  const { made, skillIds, scope, test, filledAs } = composition;
  if (goesByStrand(made)) {
    const begins = made === "diagnostic" ? "Where to begin" : "At my own pace";
    const strands = [...new Set(skillsOfStrands(view, scope.strandIds).map(({ strand }) => strand))];
    return strands.length === 1 ? `${begins}: ${strands[0]}`.slice(0, MOST_LETTERS) : begins;
  }
  const repeated = seriesOf(composition);
  if (repeated?.planWeeks != null) return made === "sequential" ? "Weekly check" : "Warm-up";
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
  const kind = filledAs === null ? (PREFIXES[made] ?? "") : `${PRESETS[filledAs].name}: `;
  return `${kind}${what}`.slice(0, MOST_LETTERS);
}
