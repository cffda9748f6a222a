import { ArrowDown, ArrowUp } from "lucide-react";
import { useRef } from "react";
import { MathText } from "@/ui/primitives/MathText";
import type { ControlProps, PartControl } from "./control";

/** Null as long as nothing was moved: the order of showing is nobody's answer. */
type Letters = readonly string[] | null;

export const orderRows: PartControl<"order", Letters> = {
  empty: null,
  Control: (props) => <Rows {...props} />,
  problem: (value) => (value === null ? "Put them in order first." : null),
  response: (letters) => ({ order: letters ?? [] }),
  words: (letters, { shown }) =>
    (letters ?? []).map((wanted) => shown.members.find(({ letter }) => letter === wanted)?.text ?? "").join("; "),
};

function Rows({ part, value, set, locked, label }: ControlProps<"order", Letters>) {
  const list = useRef<HTMLOListElement>(null);
  const letters = value ?? part.shown.members.map(({ letter }) => letter);
  const move = (letter: string, by: 1 | -1) => {
    const at = letters.indexOf(letter);
    const to = at + by;
    const other = letters[to];
    if (other === undefined) return;
    set(letters.map((one, place) => (place === at ? other : place === to ? letter : one)));
    // The focus stays on what is being moved; at an end its other button is left.
    const way = by === 1 ? "down" : "up";
    const isEnd = to === 0 || to === letters.length - 1;
    const wanted = `[data-move="${letter} ${isEnd ? (way === "down" ? "up" : "down") : way}"]`;
    requestAnimationFrame(() => list.current?.querySelector<HTMLElement>(wanted)?.focus());
  };
  return (
    <>
      <p className="text-mute mt-4 text-[18px]">Move each up or down until the order is right.</p>
      <ol ref={list} className="mt-3 grid max-w-[640px] gap-2" aria-label={label}>
        {letters.map((letter, place) => {
          const text = part.shown.members.find((member) => member.letter === letter)?.text ?? "";
          return (
            <li key={letter} className="border-hair bg-field flex min-h-14 items-center gap-3 border-2 px-3">
              <span className="text-mute w-6 text-right text-[18px]">{place + 1}</span>
              <span className="flex-1 text-[20px]">
                <MathText text={text} />
              </span>
              {(["up", "down"] as const).map((way) => (
                <button
                  key={way}
                  type="button"
                  data-move={`${letter} ${way}`}
                  data-answer={place === 0 && way === "down" ? "" : undefined}
                  className="border-ink disabled:border-hair disabled:text-hair flex size-11 items-center justify-center border-[1.5px]"
                  disabled={locked || (way === "up" ? place === 0 : place === letters.length - 1)}
                  aria-label={`Move ${text} ${way}, now ${place + 1} of ${letters.length}`}
                  onClick={() => move(letter, way === "up" ? -1 : 1)}
                >
                  {way === "up" ? <ArrowUp size={20} aria-hidden /> : <ArrowDown size={20} aria-hidden />}
                </button>
              ))}
            </li>
          );
        })}
      </ol>
    </>
  );
}
