"use client";
import { parseAsString, useQueryState } from "nuqs";
import { useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { VISIT_WORDS } from "@/words/staff/groupWords";
import { MINUTES_AT_HAND, type WorthView } from "../../worthTypes";
import { WorthCard } from "./WorthCard";

const FIRST_SHOWN = 8;
const live = parseAsString.withOptions({ shallow: false });

/** A few spare minutes: with whom they bring most, what to do in them, and one tap for what happened. Made for a phone held in one hand. */
export function WorthPage({ view }: { readonly view: WorthView }) {
  const pull = usePullList();
  const [, setMinutes] = useQueryState("minutes", live);
  const [asked, setAsked] = useQueryState("students", live);
  const [find, setFind] = useState("");
  const [all, setAll] = useState(false);
  const found = view.students.filter(({ name }) => name.toLowerCase().includes(find.trim().toLowerCase()));
  const done = view.students.filter(({ today }) => today.length > 0);
  const shown = all || find !== "" ? found : found.slice(0, FIRST_SHOWN);
  return (
    <div className="mx-auto max-w-xl px-4 py-4 text-[16px]">
      <PageHead
        title="Worth doing first"
        sub="Ordered by what the minutes are expected to bring. What you note here moves no level; it is kept with what was tried."
      />
      <fieldset className="mb-2 flex flex-wrap items-center gap-2">
        <legend className="float-left mr-2 py-2">Minutes at hand</legend>
        {MINUTES_AT_HAND.map((minutes) => (
          <button
            key={minutes}
            type="button"
            aria-pressed={view.minutes === minutes}
            className={`border-ink min-h-11 min-w-12 border-[1.5px] px-3 font-semibold ${view.minutes === minutes ? "bg-ink text-paper" : "bg-paper"}`}
            onClick={() => setMinutes(String(minutes))}
          >
            {minutes}
          </button>
        ))}
      </fieldset>
      <p className="mb-3 flex flex-wrap items-center gap-3">
        <input
          type="search"
          aria-label="Find a student"
          placeholder="Find a student"
          className={`${FIELD} min-h-11 min-w-0 flex-1`}
          value={find}
          onChange={(event) => setFind(event.target.value)}
        />
        {asked ? (
          <Button onClick={() => setAsked(null)}>Everybody again</Button>
        ) : pull.entries.length > 0 ? (
          <Button onClick={() => setAsked(pull.entries.map(({ id }) => id).join(","))}>
            The {pull.entries.length} on the pull list
          </Button>
        ) : null}
      </p>
      {done.length > 0 ? (
        <p className="text-mute mb-3 text-[15px]">
          Noted today:{" "}
          {done
            .flatMap(({ name, today }) => today.map(({ skill, result }) => `${name}, ${skill}: ${VISIT_WORDS[result]}`))
            .join("; ")}
          .
        </p>
      ) : null}
      <ul>
        {shown.map((student) => (
          <WorthCard key={student.id} student={student} minutes={view.minutes} />
        ))}
      </ul>
      {found.length === 0 ? (
        <p className="text-mute py-3">
          {view.students.length === 0 ? "Nobody is here. Add students in the roster." : "Nobody has this name."}
        </p>
      ) : null}
      {shown.length < found.length ? (
        <Button className="mt-3" onClick={() => setAll(true)}>
          The other {found.length - shown.length}
        </Button>
      ) : null}
    </div>
  );
}
