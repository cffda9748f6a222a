import type { CheckVerdict } from "@/core/model/work";
import type { OutcomeView } from "../types";

const VERDICTS: Readonly<Record<CheckVerdict, string>> = {
  mastered: "has it",
  "not-mastered": "does not have it",
  undecided: "not clear",
};

/** What came out of a run besides a mark, in few words; empty for nothing. */
export function outcomeWords(outcome: OutcomeView | undefined): string {
  if (!outcome) return "";
  const { placed, verdicts, contrast } = outcome;
  if (contrast)
    return `alone ${contrast.alone.right} of ${contrast.alone.of}, mixed ${contrast.mixed.right} of ${contrast.mixed.of}`;
  if (verdicts.length === 1) return VERDICTS[verdicts[0]?.verdict ?? "undecided"];
  if (verdicts.length > 1) return verdicts.map(({ skill, verdict }) => `${skill}: ${VERDICTS[verdict]}`).join("; ");
  return placed.map(({ nearest }) => nearest).join("; ");
}
