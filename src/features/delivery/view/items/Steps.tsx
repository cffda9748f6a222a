import { Plus } from "lucide-react";
import { type KeyboardEvent, useEffect, useRef } from "react";
import { MathText } from "@/ui/primitives/MathText";
import type { ControlProps, PartControl } from "./control";

const MOST_LINES = 20;

export const stepLines: PartControl<"steps", readonly string[]> = {
  empty: [""],
  Control: (props) => <Lines {...props} />,
  problem: (lines) => (lines.every((line) => line.trim() === "") ? "Write the next line first." : null),
  response: (lines) => ({ lines: lines.filter((line) => line.trim() !== "") }),
  words: (lines) => lines.filter((line) => line.trim() !== "").join("; "),
};

/** The given line with the student's own below it. Enter goes on to a line of its own; in the last one that is empty it hands in. */
function Lines({ part, value, set, locked, label }: ControlProps<"steps", readonly string[]>) {
  const list = useRef<HTMLOListElement>(null);
  const wanted = useRef<number | null>(null);
  useEffect(() => {
    if (wanted.current === null) return;
    list.current?.querySelectorAll("input")[wanted.current]?.focus();
    wanted.current = null;
  });
  const change = (lines: readonly string[], focusOn: number) => {
    wanted.current = focusOn;
    set(lines);
  };
  const pressed = (event: KeyboardEvent<HTMLInputElement>, place: number) => {
    const here = value[place] ?? "";
    if (event.key === "Enter" && !event.ctrlKey && here.trim() !== "" && value.length < MOST_LINES) {
      event.preventDefault();
      const isNextEmpty = value[place + 1]?.trim() === "";
      change(isNextEmpty ? value : value.toSpliced(place + 1, 0, ""), place + 1);
    }
    if (event.key === "Backspace" && here === "" && value.length > 1) {
      event.preventDefault();
      change(value.toSpliced(place, 1), Math.max(0, place - 1));
    }
    const next = event.key === "ArrowUp" ? place - 1 : event.key === "ArrowDown" ? place + 1 : -1;
    if (next >= 0 && next < value.length) {
      event.preventDefault();
      list.current?.querySelectorAll("input")[next]?.focus();
    }
  };
  return (
    <>
      <p className="text-mute mt-4 text-[18px]">
        Go on line by line until nothing is left to do. Press Enter for another line.
      </p>
      <p className="mt-3 pl-11 text-[26px] font-bold">
        <MathText text={part.shown.start} />
      </p>
      <ol ref={list} className="mt-2 grid max-w-[560px] gap-2" aria-label={label}>
        {value.map((line, place) => (
          <li key={place} className="flex items-center gap-3">
            <span className="text-mute w-8 text-right text-[18px] tabular-nums" aria-hidden>
              {place + 1}
            </span>
            <input
              data-answer={place === value.length - 1 ? "" : undefined}
              className="border-ink bg-field min-h-13 w-full border-[2.5px] px-4 text-[24px] font-bold"
              aria-label={`Line ${place + 1}`}
              value={line}
              onChange={(event) => set(value.with(place, event.target.value))}
              onKeyDown={(event) => pressed(event, place)}
              disabled={locked}
              autoComplete="off"
              autoCorrect="off"
              autoCapitalize="off"
              spellCheck={false}
              maxLength={200}
            />
          </li>
        ))}
      </ol>
      {value.length < MOST_LINES && !locked ? (
        <button
          type="button"
          className="text-mute hover:text-ink mt-2 ml-11 flex min-h-11 items-center gap-1.5 text-[18px] underline"
          onClick={() => change([...value, ""], value.length)}
        >
          <Plus size={18} aria-hidden /> One more line
        </button>
      ) : null}
    </>
  );
}
