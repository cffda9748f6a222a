"use client";
import { parseAsInteger, parseAsString, useQueryState } from "nuqs";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import { WordEdit } from "@/ui/primitives/WordEdit";
import type { Limits, Suggestions } from "../types";

const live = { shallow: false } as const;
const box = "bg-field border-ink w-16 border-[1.5px] px-2 py-1";

/** The limits read as one sentence; each underlined part opens its own editor, and the groups follow at once. */
export function LimitsSentence({ limits, students, quality }: Pick<Suggestions, "limits" | "students" | "quality">) {
  const [, setSlots] = useQueryState("slots", parseAsInteger.withOptions(live));
  const [, setFrom] = useQueryState("from", parseAsInteger.withOptions(live));
  const [, setTo] = useQueryState("to", parseAsInteger.withOptions(live));
  const [, setScope] = useQueryState("scope", parseAsString.withOptions(live));
  const [, setApart] = useQueryState("apart", parseAsString.withOptions(live));
  const nameOf = (id: string) => students.find((student) => student.id === id)?.name.split(" ")[0] ?? "somebody";
  const apartWords = limits.apart.map(([one, other]) => `${nameOf(one)} and ${nameOf(other)}`).join(", ") || "nobody";
  const keep = (pairs: Limits["apart"]) =>
    setApart(pairs.length > 0 ? pairs.map((pair) => pair.join("~")).join(",") : null);
  return (
    <p className="text-[17px] leading-relaxed">
      <WordEdit word={limits.slots === 1 ? "1 slot" : `${limits.slots} slots`} label="Slots this week">
        <Choice label="Most groups" low={1} high={8} value={limits.slots} set={setSlots} />
      </WordEdit>
      , groups of{" "}
      <WordEdit word={`${limits.smallest} to ${limits.largest}`} label="Group size">
        <div className="space-y-2">
          <Choice label="At least" low={2} high={limits.largest} value={limits.smallest} set={setFrom} />
          <Choice label="At most" low={limits.smallest} high={12} value={limits.largest} set={setTo} />
        </div>
      </WordEdit>
      , for{" "}
      <WordEdit
        word={limits.scope === "near" ? "what is or was taught, and what comes next" : "the whole strand"}
        label="Skills"
      >
        <fieldset className="space-y-1">
          {(["near", "all"] as const).map((scope) => (
            <label key={scope} className="flex gap-2">
              <input
                type="radio"
                name="scope"
                checked={limits.scope === scope}
                onChange={() => setScope(scope === "near" ? null : scope)}
              />
              {scope === "near" ? "What is or was taught, and what comes next" : "The whole strand"}
            </label>
          ))}
        </fieldset>
      </WordEdit>
      . Keep{" "}
      <WordEdit word={apartWords} label="Keep apart">
        <ApartEditor limits={limits} students={students} nameOf={nameOf} keep={keep} />
      </WordEdit>{" "}
      apart.{" "}
      <span className="text-mute">
        {quality === "optimal"
          ? "Best possible within these limits."
          : "A good answer; time ran out before it was proven best."}
      </span>
    </p>
  );
}

function Choice(props: {
  readonly label: string;
  readonly low: number;
  readonly high: number;
  readonly value: number;
  readonly set: (value: number) => void;
}) {
  return (
    <label className="flex items-center justify-between gap-4">
      {props.label}
      <select className={box} value={props.value} onChange={(event) => props.set(Number(event.target.value))}>
        {Array.from({ length: props.high - props.low + 1 }, (_, n) => props.low + n).map((value) => (
          <option key={value}>{value}</option>
        ))}
      </select>
    </label>
  );
}

function ApartEditor(props: {
  readonly limits: Limits;
  readonly students: Suggestions["students"];
  readonly nameOf: (id: string) => string;
  readonly keep: (pairs: Limits["apart"]) => void;
}) {
  const { limits, students, nameOf, keep } = props;
  const [one, setOne] = useState("");
  const [other, setOther] = useState("");
  const picker = (value: string, set: (id: string) => void, label: string) => (
    <select
      aria-label={label}
      className="bg-field border-ink border-[1.5px] px-2 py-1"
      value={value}
      onChange={(event) => set(event.target.value)}
    >
      <option value="">choose</option>
      {students.map((student) => (
        <option key={student.id} value={student.id}>
          {student.name}
        </option>
      ))}
    </select>
  );
  return (
    <div className="space-y-2">
      {limits.apart.map((pair) => (
        <p key={pair.join()} className="flex items-center justify-between gap-4">
          {nameOf(pair[0])} and {nameOf(pair[1])}
          <Button look="quiet" onClick={() => keep(limits.apart.filter((entry) => entry !== pair))}>
            Remove
          </Button>
        </p>
      ))}
      <p className="flex items-center gap-2">
        {picker(one, setOne, "First student")} and {picker(other, setOther, "Second student")}
      </p>
      <Button
        disabled={one === "" || other === "" || one === other}
        onClick={() => {
          keep([...limits.apart, [one, other]]);
          setOne("");
          setOther("");
        }}
      >
        Keep these two apart
      </Button>
    </div>
  );
}
