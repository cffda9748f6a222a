import { predictForm } from "@/core/assembly/predictForm";
import type { FormItem } from "./composition";
import type { ProposalState } from "./useProposal";

/** From where a test tells students apart well enough: for a quiz, and where much hangs on it. */
const GOOD = { quiz: 0.7, mark: 0.8 } as const;

/** What a form will show of this class before it is given. */
export function Predicted({ form, state }: { readonly form: readonly FormItem[]; readonly state: ProposalState }) {
  const points = form.reduce((sum, one) => sum + one.points, 0);
  if (form.length === 0 || points === 0) return null;
  const share = form.reduce((sum, { item, points: own }) => sum + item.chance * own, 0) / points;
  const predicted = predictForm(
    form.map(({ item }) => item.parameters),
    state.group,
    state.cut,
  );
  const minutes = Math.max(1, Math.round(form.reduce((sum, { item }) => sum + item.seconds, 0) / 60));
  const reliability = "noEstimate" in predicted ? null : predicted.reliability;
  return (
    <span
      className="text-mute text-[14px]"
      title={`What is good: a reliability of ${GOOD.quiz.toFixed(2)} for a quiz, ${GOOD.mark.toFixed(2)} where much hangs on it.`}
    >
      {form.length} {form.length === 1 ? "item" : "items"}, {points} points; the class will get about{" "}
      {Math.round(share * 100)} %
      {reliability === null ? "" : `, reliability ${reliability.toFixed(2)} (${reliabilityWords(reliability)})`}; about{" "}
      {minutes} min{state.searching ? "; looking for a better form…" : ""}
    </span>
  );
}

function reliabilityWords(reliability: number): string {
  if (reliability >= GOOD.mark) return "good enough for a mark";
  return reliability >= GOOD.quiz ? "good enough for a quiz" : "low: more items would help";
}
