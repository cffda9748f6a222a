import { usePullList } from "@/client/pull-list/pullList";
import { Button } from "@/ui/primitives/Button";
import type { ReviewProposalLine } from "../../types";
import type { Placing } from "./usePlacing";

interface Bunch {
  readonly key: string;
  readonly why: string;
  readonly lines: readonly ReviewProposalLine[];
}

/** What could be done with skills in review, by reason; each is looked at before it is done. */
export function Proposals({
  proposals,
  placing,
}: {
  readonly proposals: readonly ReviewProposalLine[];
  readonly placing: Placing;
}) {
  const pull = usePullList();
  const of = (by: ReviewProposalLine["reason"]["by"]) => proposals.filter(({ reason }) => reason.by === by);
  const bunches: Bunch[] = [
    { key: "too-hard", why: "Under 20 % right at the first try: teach it again first.", lines: of("too-hard") },
    {
      key: "everybody-secure",
      why: "Everybody has it: all stand Secure today on enough evidence.",
      lines: of("everybody-secure"),
    },
    { key: "contained", why: "Exercised anyway by another skill in review.", lines: of("contained") },
  ].filter(({ lines }) => lines.length > 0);
  if (bunches.length === 0) return null;
  return (
    <section aria-labelledby="proposals" className="mt-6 max-w-[72rem]">
      <h2 id="proposals" className="font-serif text-[20px] font-medium">
        What could rest
      </h2>
      <ul className="mt-1">
        {bunches.map(({ key, why, lines }) => (
          <li key={key} className="border-hair flex items-start justify-between gap-6 border-t py-1.5 text-[15px]">
            <span>
              {why} <span className="text-mute">{lines.map(named).join("; ")}</span>
            </span>
            <span className="no-print flex shrink-0 gap-2">
              {key === "too-hard" ? (
                <Button
                  onClick={() =>
                    pull.add(
                      lines.flatMap(({ lacking, skillId }) => lacking.map(({ id, name }) => ({ id, name, skillId }))),
                    )
                  }
                >
                  Pull those who lack it
                </Button>
              ) : null}
              <Button
                onClick={() =>
                  placing.setChange({ what: "resting", skills: lines.map(({ skillId, name }) => ({ skillId, name })) })
                }
              >
                {`See what ${lines.length === 1 ? "it" : `${lines.length}`} would change`}
              </Button>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function named({ name, reason, within }: ReviewProposalLine): string {
  if (reason.by === "contained" && within) return `${name} (by ${within})`;
  return reason.by === "too-hard"
    ? `${name} (${Math.round(reason.accuracy * reason.answers)} of ${reason.answers})`
    : name;
}
