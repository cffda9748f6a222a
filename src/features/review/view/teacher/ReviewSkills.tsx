"use client";
import { format, parseISO } from "date-fns";
import { useRef, useState } from "react";
import type { ReviewPlace } from "@/core/model/reviewSettings";
import { Button } from "@/ui/primitives/Button";
import { FindField } from "@/ui/primitives/FindField";
import type { ReviewSkillLine } from "../../types";
import { ChosenBar } from "./ChosenBar";
import { compared, type Sort, SortHead } from "./SortHead";
import type { Placing } from "./usePlacing";

type Column = "name" | "secure" | "once" | "recall" | "waiting" | "accuracy" | "within" | "entered";

const VALUE: Readonly<Record<Column, (line: ReviewSkillLine) => string | number | null>> = {
  name: ({ name }) => name,
  secure: ({ secure }) => secure,
  once: ({ masteredOnce }) => masteredOnce,
  recall: ({ recall }) => recall,
  waiting: ({ waiting }) => waiting,
  accuracy: ({ tries, right }) => (tries === 0 ? null : right / tries),
  within: ({ within }) => within?.name ?? null,
  entered: ({ entered }) => entered,
};

const PLACES: Readonly<Record<ReviewPlace, string>> = { in: "Asked", resting: "Resting", dropped: "Taken out" };
const percent = (share: number) => Math.round(share * 100);

/** The skills of a class's review: each with what tells whether it is kept, to be chosen several at once. */
export function ReviewSkills({
  lines,
  placing,
  weeksBack,
  takeIn,
}: {
  readonly lines: readonly ReviewSkillLine[];
  readonly placing: Placing;
  readonly weeksBack: number;
  readonly takeIn: () => void;
}) {
  const [sort, setSort] = useState<Sort<Column>>({ by: "recall", down: false });
  const [find, setFind] = useState("");
  const [place, setPlace] = useState<ReviewPlace>("in");
  const last = useRef<number>(-1);
  const count = (at: ReviewPlace) => lines.filter((line) => line.place === at).length;
  const shown = lines
    .filter((line) => line.place === place && `${line.name} ${line.strand}`.toLowerCase().includes(find.toLowerCase()))
    .sort((x, y) => {
      const [one, other] = [VALUE[sort.by](x), VALUE[sort.by](y)];
      const order = compared(one, other);
      // What is not known stays last, whichever way round.
      return (one === null || other === null ? order : sort.down ? -order : order) || x.name.localeCompare(y.name);
    });
  const choose = (at: number, withShift: boolean) => {
    const line = shown[at];
    if (!line) return;
    const on = !placing.chosen.has(line.skillId);
    const from = withShift && last.current >= 0 ? last.current : at;
    const next = new Set(placing.chosen);
    for (const { skillId } of shown.slice(Math.min(from, at), Math.max(from, at) + 1))
      if (on) next.add(skillId);
      else next.delete(skillId);
    last.current = at;
    placing.setChosen(next);
  };
  const head = { sort, set: setSort };
  return (
    <section aria-labelledby="skills" className="mt-7">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h2 id="skills" className="font-serif text-[20px] font-medium">
          Skills in review
        </h2>
        <span className="no-print flex gap-1.5">
          {(Object.keys(PLACES) as ReviewPlace[]).map((one) => (
            <Button
              key={one}
              aria-pressed={one === place}
              look={one === place ? "main" : "plain"}
              onClick={() => {
                setPlace(one);
                placing.setChosen(new Set());
              }}
            >
              {`${PLACES[one]} ${count(one)}`}
            </Button>
          ))}
        </span>
        <FindField
          label="Find a skill"
          placeholder="Find by wording"
          value={find}
          set={(word) => setFind(word ?? "")}
        />
        <span className="no-print ml-auto">
          <Button onClick={takeIn}>Take skills in</Button>
        </span>
      </div>
      {shown.length === 0 ? (
        <p className="text-mute mt-3 text-[15px]">{emptyWords(place, find)}</p>
      ) : (
        <div className="mt-2 overflow-x-auto">
          <table className="w-full text-[14px]">
            <caption className="sr-only">Skills in review, {PLACES[place].toLowerCase()}</caption>
            <thead className="text-mute">
              <tr>
                <th className="no-print w-7 pb-1 text-left align-bottom font-normal">
                  <input
                    type="checkbox"
                    className="accent-clay"
                    aria-label={`All ${shown.length} shown`}
                    checked={shown.every(({ skillId }) => placing.chosen.has(skillId))}
                    onChange={(event) =>
                      placing.setChosen(new Set(event.target.checked ? shown.map(({ skillId }) => skillId) : []))
                    }
                  />
                </th>
                <SortHead by="name" {...head}>
                  Skill
                </SortHead>
                <SortHead by="secure" {...head} className="w-20">
                  Secure today
                </SortHead>
                <SortHead by="once" {...head} className="w-20">
                  mastered once
                </SortHead>
                <SortHead by="recall" {...head} className="w-24">
                  remembered today
                </SortHead>
                <SortHead by="waiting" {...head} className="w-20">
                  days waiting
                </SortHead>
                <SortHead by="accuracy" {...head} className="w-28">
                  {`right at first, ${weeksBack} weeks`}
                </SortHead>
                <SortHead by="within" {...head}>
                  exercised anyway by
                </SortHead>
                <SortHead by="entered" {...head} className="w-20">
                  since
                </SortHead>
              </tr>
            </thead>
            <tbody>
              {shown.map((line, at) => (
                <tr
                  key={line.skillId}
                  className={`border-hair border-t align-top ${placing.chosen.has(line.skillId) ? "bg-bank" : ""}`}
                >
                  <td className="no-print py-1">
                    <input
                      type="checkbox"
                      className="accent-clay"
                      aria-label={`Choose ${line.name}`}
                      checked={placing.chosen.has(line.skillId)}
                      onChange={(event) => choose(at, (event.nativeEvent as MouseEvent).shiftKey)}
                    />
                  </td>
                  <Cells line={line} />
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <ChosenBar placing={placing} skills={lines} />
    </section>
  );
}

function Cells({ line }: { readonly line: ReviewSkillLine }) {
  const { name, strand, students, secure, masteredOnce, recallOf, recall, waiting, tries, right, within, entered } =
    line;
  return (
    <>
      <th scope="row" className="py-1 pr-4 text-left font-normal">
        {name} <span className="text-mute">{strand}</span>
      </th>
      <td className="py-1 pr-4 tabular-nums whitespace-nowrap">
        {secure} of {students}
      </td>
      <td className="py-1 pr-4 tabular-nums">{masteredOnce}</td>
      <td className="py-1 pr-4 tabular-nums whitespace-nowrap">
        {recall === null ? (
          <span className="text-mute">not mastered yet</span>
        ) : (
          <>
            {percent(recall)} % <span className="text-mute">of {recallOf}</span>
          </>
        )}
      </td>
      <td className="py-1 pr-4 tabular-nums">{waiting ?? "–"}</td>
      <td className="py-1 pr-4 tabular-nums whitespace-nowrap">
        {tries === 0 ? (
          <span className="text-mute">not asked yet</span>
        ) : (
          <>
            {percent(right / tries)} % <span className="text-mute">of {tries}</span>
          </>
        )}
      </td>
      <td className="text-mute py-1 pr-4">
        {within
          ? `${within.name}${within.because === "prerequisite" ? ", which builds on it" : ", with all its standards"}`
          : ""}
      </td>
      <td className="text-mute py-1 whitespace-nowrap">{entered ? format(parseISO(entered), "d MMM") : ""}</td>
    </>
  );
}

function emptyWords(place: ReviewPlace, find: string): string {
  if (find !== "") return "No skill here is worded so.";
  if (place === "in") return "Nothing is in review yet. What is mastered comes in by itself, or take skills in.";
  return place === "resting"
    ? "Nothing rests. Choose skills under “Asked” to let them rest."
    : "Nothing was taken out.";
}
