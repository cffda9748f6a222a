import type { Contradiction } from "@/core/grouping/groupProblem";
import type { ProposedApproach } from "@/core/grouping/nextApproach";
import type { Approach, VisitResult, WorkedVerdict } from "@/core/model/reteach";
import type { WhyFacts } from "@/core/model/whyFacts";
import { listOf, message } from "../message";

const percent = (share: number) => Math.round(share * 100);
const lowerFirst = (text: string) => text.slice(0, 1).toLowerCase() + text.slice(1);

/** What a group's reason is made of. */
export interface GroupReason {
  readonly why: WhyFacts["group"];
  /** Name of the mistake that most of them share; null for none. */
  readonly mistake: string | null;
  /** What builds on the skill later in the plan, from which day in words; null for nothing. */
  readonly next: { readonly name: string; readonly day: string } | null;
  /** Of how many it is known only by a diagnostic, only by a score from elsewhere, only from long ago, only by the grade. */
  readonly basis: Readonly<Record<"diagnostic" | "score" | "old" | "grade", number>>;
}

const BECAUSE =
  "Because {share, plural, =0 {} other {{share} of {students} {mistake}, }}the chance of mastery is {lowest, select, same {{highest} %} other {{lowest} to {highest} %}}{nextGiven, select, yes {, and {next}, planned from {day}, builds on it} other {}}.{diagnostic, plural, =0 {} other {{diagnostic, plural, =1 {{students, plural, =1 { It stands on a diagnostic alone.} other { For one of them it stands on a diagnostic alone.}}} other { For # of them it stands on a diagnostic alone.}}}}{score, plural, =0 {} other {{score, plural, =1 {{students, plural, =1 { It stands on a score from elsewhere, which tells little.} other { For one of them it stands on a score from elsewhere, which tells little.}}} other { For # of them it stands on a score from elsewhere, which tells little.}}}}{old, plural, =0 {} =1 { For one of them the evidence is more than 60 days old.} other { For # of them the evidence is more than 60 days old.}}{grade, plural, =0 {} =1 { Of one of them only the grade is known.} other { Of # of them only the grade is known.}}";

/** Why a group, in one sentence with its numbers, and on how little it stands where it is little. */
export function groupBecause({ why, mistake, next, basis }: GroupReason): string {
  const [lowest, highest] = [percent(why.lowest), percent(why.highest)];
  return message(BECAUSE, {
    share: mistake === null ? 0 : why.shareMistake,
    students: why.students,
    mistake: lowerFirst(mistake ?? ""),
    lowest: lowest === highest ? "same" : lowest,
    highest,
    nextGiven: next ? "yes" : "no",
    next: next?.name ?? "",
    day: next?.day ?? "",
    ...basis,
  });
}

/** One student's evidence in a skill, in a few words. */
export function evidenceWords(evidence: {
  readonly basis: "answers" | "old" | "diagnostic" | "score" | "grade";
  readonly right: number;
  readonly answered: number;
  readonly times: number;
  readonly mistake: string | null;
}): string {
  const { basis, right, answered, times, mistake } = evidence;
  if (mistake) return `${lowerFirst(mistake)}, ${times === 1 ? "once" : `${times} times`}`;
  if (basis === "diagnostic") return "by the diagnostic";
  if (basis === "score") return "by a score from elsewhere";
  if (basis === "grade") return answered === 0 ? "not met yet" : "few answers";
  return `${right} of ${answered} right${basis === "old" ? ", long ago" : ""}`;
}

const CONTRADICTIONS: Readonly<Record<Contradiction, string>> = {
  "together-and-apart": "{names} are to be kept both together and apart. Take one of the two wishes back.",
  "too-many-together":
    "{names} are to stay together, and that is more than a group may hold. Let groups be larger, or take a wish back.",
  "fixed-in-two": "{names} are to stay together, but are fixed in different groups. Take one of these wishes back.",
  "fixed-and-away": "{names} is away and fixed in a group at once. Take one of the two back.",
  "fixed-and-apart": "{names} are fixed in the same group and to be kept apart. Take one of the two wishes back.",
  "too-many-fixed":
    "{names} are fixed in the same group, and that is more than a group may hold. Let groups be larger, or take a wish back.",
  "too-many-groups-fixed": "{names} are fixed in more groups than there are times. Add a time, or take a wish back.",
};

/** Wishes that cannot all be met, with the students they are about and what can be done. */
export const contradictionWords = (wish: Contradiction, names: readonly string[]): string =>
  message(CONTRADICTIONS[wish], { names: listOf(names) });

/** Ways to teach again, as teachers read them. */
export const APPROACH_WORDS: Readonly<Record<Approach, string>> = {
  things: "With things to hold",
  "own-answers": "From their own wrong answers",
  model: "With a model to move",
  steps: "Step by step, from a worked example",
  underneath: "One step down",
};

const APPROACH_BECAUSE: Readonly<Record<ProposedApproach["because"], string>> = {
  underneath: "Proposed because what it builds on is not there for most of them.",
  "same-mistake": "Proposed because most of them make the same mistake.",
  usual: "The usual first way.",
  "not-tried": "Proposed because none of them was taught this way yet, and another way did not help.",
  "least-tried": "Every way was tried with somebody here; this one was tried in vain with the fewest.",
};

export const approachBecause = ({ because }: Pick<ProposedApproach, "because">): string => APPROACH_BECAUSE[because];

/** What came of a reteach for the group as a whole, in words to use. */
export const WORKED_WORDS: Readonly<Record<WorkedVerdict, string>> = {
  worked: "It worked: they moved further than students like them who were not taught.",
  "no-further": "It made no difference that matters: students like them moved as far without it.",
  open: "It can't be told from so few whether it was the reteach: the difference may be luck.",
  "no-comparison":
    "Nobody enough like them did the check without being taught, so it can't be told what the reteach did.",
};

export const VISIT_WORDS: Readonly<Record<VisitResult, string>> = {
  got: "got it",
  nearly: "nearly",
  missed: "not yet",
};
