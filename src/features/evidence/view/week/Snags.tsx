"use client";
import { useParams } from "next/navigation";
import { useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { whyWords } from "@/words/staff/whyWords";
import type { WeekSnag, WeekView } from "../../weekTypes";

type State = "open" | "cleared" | "all";
type Help = "any" | "alone" | "helped";

/** Snags behind the week: by skill, open or cleared, alone or with whose help; the least times chosen. */
export function Snags({ view }: { readonly view: WeekView }) {
  const { classes } = useParams<{ classes: string }>();
  const pull = usePullList();
  const [state, setState] = useState<State>("open");
  const [help, setHelp] = useState<Help>("any");
  const [least, setLeast] = useState(1);
  const shown = view.snags.filter(
    (snag) =>
      (state === "all" || snag.state === state) &&
      (help === "any" || (help === "alone") === (snag.helpers.length === 0)) &&
      snag.times >= least,
  );
  const skills = [...new Set(shown.map(({ skillId }) => skillId))]
    .map((skillId) => shown.filter((snag) => snag.skillId === skillId))
    .sort((x, y) => y.length - x.length);
  return (
    <section className="mt-5" aria-labelledby="snags-title">
      <h2 id="snags-title" className="text-[16px] font-bold">
        What holds it: snags
      </h2>
      <p className="text-mute text-[14px]">
        Showing those{" "}
        <select
          aria-label="State"
          className="word-edit bg-transparent"
          value={state}
          onChange={(event) => setState(event.target.value as State)}
        >
          <option value="open">open now</option>
          <option value="cleared">cleared in these weeks</option>
          <option value="all">open or cleared</option>
        </select>
        {state === "open" ? null : (
          <select
            aria-label="Help"
            className="word-edit bg-transparent"
            value={help}
            onChange={(event) => setHelp(event.target.value as Help)}
          >
            <option value="any">with or without help</option>
            <option value="alone">alone</option>
            <option value="helped">with help</option>
          </select>
        )}
        , at least{" "}
        <select
          aria-label="Least times"
          className="word-edit bg-transparent"
          value={least}
          onChange={(event) => setLeast(Number(event.target.value))}
        >
          {[1, 2, 3].map((times) => (
            <option key={times} value={times}>
              {times === 1 ? "once" : times === 2 ? "twice" : "three times"}
            </option>
          ))}
        </select>
        . {shown.length} of {view.snags.length}.
      </p>
      {shown.length === 0 ? (
        <p className="text-mute text-[14px]">
          {view.snags.length === 0 ? "Nobody is held up in any skill in sight." : "None fits these words."}
        </p>
      ) : null}
      <ul>
        {skills.map((snags) => {
          const [first] = snags as [WeekSnag];
          return (
            <li
              key={first.skillId}
              className="border-hair grid grid-cols-[2.5rem_minmax(0,1fr)_auto] items-start gap-x-3 border-t py-1.5 text-[14px]"
            >
              <b className="font-serif text-[20px] leading-none font-medium">{snags.length}</b>
              <div className="min-w-0">
                <p className="text-[15px] font-semibold">{first.skill}</p>
                <p className="text-mute">
                  {snags.map((snag, place) => (
                    <span key={snag.studentId} title={snag.why ? whyWords("snag", snag.why) : undefined}>
                      {place > 0 ? "; " : ""}
                      <SheetLink id={snag.studentId} className="text-ink">
                        {snag.name}
                      </SheetLink>{" "}
                      {words(snag)}
                    </span>
                  ))}
                </p>
              </div>
              <div className="no-print flex gap-2">
                <Button
                  onClick={() =>
                    pull.add(snags.map(({ studentId, name }) => ({ id: studentId, name, skillId: first.skillId })))
                  }
                >
                  Pull {snags.length}
                </Button>
                <ButtonLink href={`/desk/${classes}/library/${first.skillId}`}>Reteach plan</ButtonLink>
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function words({ since, times, state, cleared, helpers, goesOn }: WeekSnag): string {
  const often = times > 1 ? `, ${times === 2 ? "the second time" : `${times} times`}` : "";
  if (state === "cleared")
    return `${since} to ${cleared}${often}, ${helpers.length === 0 ? "alone" : `with the help of ${helpers.join(" and ")}`}`;
  return `since ${since}${often}${goesOn ? "" : ", and has left it"}`;
}
