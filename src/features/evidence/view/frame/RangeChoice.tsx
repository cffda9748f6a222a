"use client";
import { useState } from "react";
import type { NamedRange } from "@/core/calendar/rangeOfDays";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import type { FrameView } from "../../frame/frameTypes";
import { useFrame } from "./useFrame";

const NAMES: Readonly<Record<NamedRange, string>> = {
  today: "today",
  "this-week": "this week",
  "last-week": "last week",
  "four-weeks": "the last four weeks",
  term: "this term",
  look: "since I last looked",
};

/** The days of a report, or those that they are set against. */
export function RangeChoice({ frame, of }: { readonly frame: FrameView; readonly of: "range" | "against" }) {
  const { set } = useFrame();
  const shown = of === "range" ? frame.range : frame.against;
  const [from, setFrom] = useState(shown?.from ?? frame.range.from);
  const [to, setTo] = useState(shown?.to ?? frame.range.to);
  const choose = (value: string | null) => set({ [of]: value });
  const chosen = frame.params[of];
  const names = (Object.keys(NAMES) as NamedRange[]).filter((name) => of === "range" || name !== "look");
  return (
    <div className="grid gap-2">
      <ul>
        {of === "against" ? (
          <>
            <Named isChosen={chosen === null} words="nothing" choose={() => choose(null)} />
            <Named isChosen={chosen === "before"} words="as many days before" choose={() => choose("before")} />
          </>
        ) : null}
        {names.map((name) => (
          <Named
            key={name}
            isChosen={chosen === name}
            words={name === "look" && frame.lookedWords ? `${NAMES.look}, ${frame.lookedWords}` : NAMES[name]}
            choose={() => choose(name)}
          />
        ))}
      </ul>
      <form
        className="border-hair flex flex-wrap items-center gap-2 border-t pt-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (from !== "" && to !== "") choose(`${from}..${to}`);
        }}
      >
        <label>
          from{" "}
          <input
            type="date"
            className={FIELD}
            value={from}
            max={frame.today}
            onChange={(event) => setFrom(event.target.value)}
          />
        </label>
        <label>
          to{" "}
          <input
            type="date"
            className={FIELD}
            value={to}
            max={frame.today}
            onChange={(event) => setTo(event.target.value)}
          />
        </label>
        <Button type="submit">Show these days</Button>
      </form>
    </div>
  );
}

function Named(props: { readonly isChosen: boolean; readonly words: string; readonly choose: () => void }) {
  return (
    <li>
      <button
        type="button"
        aria-pressed={props.isChosen}
        className={`w-full py-0.5 text-left hover:underline ${props.isChosen ? "font-bold" : ""}`}
        onClick={props.choose}
      >
        {props.words}
      </button>
    </li>
  );
}
