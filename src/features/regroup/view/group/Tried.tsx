import { SheetLink } from "@/ui/layout/SheetLink";
import { APPROACH_WORDS, WORKED_WORDS } from "@/words/staff/groupWords";
import { VERDICT_WORDS } from "@/words/staff/verdictWords";
import type { EarlierRound, TriedView } from "../../types";

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** What was tried with each student in this skill, by whom, when, and with what result. */
export function Tried({ tried }: { readonly tried: readonly TriedView[] }) {
  if (tried.length === 0) return null;
  return (
    <section className="mt-6" aria-labelledby="tried">
      <h2 id="tried" className="font-serif text-[18px] font-medium">
        What was tried in this skill
      </h2>
      <table className="mt-1 w-full text-[15px]">
        <tbody>
          {tried.map(({ id, name, tries }) => (
            <tr key={id} className="border-hair border-t align-top">
              <td className="w-44 py-1.5 font-semibold">
                <SheetLink id={id}>{name}</SheetLink>
              </td>
              <td className="py-1.5">
                <ul>
                  {tries.map((one) => (
                    <li key={`${one.day} ${one.approach}`}>
                      {one.day}
                      {one.by ? `, ${one.by}` : ""}: {APPROACH_WORDS[one.approach].toLowerCase()};{" "}
                      {one.there === false ? (
                        "was away"
                      ) : (
                        <>
                          {VERDICT_WORDS[one.verdict]}
                          {one.after === null ? "" : `, ${percent(one.before)} to ${percent(one.after)}`}
                        </>
                      )}
                    </li>
                  ))}
                </ul>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Rounds before this one, on whichever skill: what came of them stays. */
export function EarlierRounds({ rounds }: { readonly rounds: readonly EarlierRound[] }) {
  if (rounds.length === 0) return null;
  return (
    <section className="mt-6" aria-labelledby="earlier">
      <h2 id="earlier" className="font-serif text-[18px] font-medium">
        Earlier rounds of this group
      </h2>
      <ul className="mt-1 text-[15px]">
        {rounds.map((round) => (
          <li key={round.id} className="border-hair border-t py-1.5">
            {round.when}: {round.skillName}, {APPROACH_WORDS[round.approach].toLowerCase()}
            {round.by ? `, ${round.by}` : ""}. {countWords(round)}
            {round.worked ? <span className="text-mute"> {WORKED_WORDS[round.worked]}</span> : null}
          </li>
        ))}
      </ul>
    </section>
  );
}

const countWords = ({ learned, closer, again, open }: EarlierRound): string =>
  [
    learned > 0 ? `${learned} learned it` : "",
    closer > 0 ? `${closer} came closer` : "",
    again > 0 ? `${again} went round again` : "",
    open > 0 ? `${open} did not do the check` : "",
  ]
    .filter(Boolean)
    .join(", ")
    .concat(".");
