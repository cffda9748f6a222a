import type { ReactNode } from "react";
import type { ItemKind } from "@/core/items/itemKind";
import type { ShownOf } from "@/core/items/rooms";
import { LINES } from "@/core/items/written/body";
import { MathText } from "@/ui/primitives/MathText";
import { PrintedGrid, PrintedLine, PrintedShading } from "./figures";

type Prints = { readonly [Kind in ItemKind]: (shown: ShownOf[Kind]) => ReactNode };

const Blank = ({ wide = false }: { readonly wide?: boolean }) => (
  <span className={`border-black inline-block h-7 border-b-[1.5px] ${wide ? "w-72" : "w-32"}`} />
);
const Mark = ({ round }: { readonly round: boolean }) => (
  <span
    className={`border-black mr-2 inline-block size-4 translate-y-0.5 border-[1.5px] ${round ? "rounded-full" : ""}`}
  />
);
const Options = ({
  options,
  round,
}: {
  readonly options: ShownOf["single-choice"]["options"];
  readonly round: boolean;
}) => (
  <ul className="mt-2 space-y-1.5">
    {options.map(({ letter, text }) => (
      <li key={letter}>
        <Mark round={round} />
        <MathText text={text} />
      </li>
    ))}
  </ul>
);

/** Every kind of part as it stands on paper: the compiler wants each. */
const PRINTS: Prints = {
  number: ({ unit }) => (
    <p className="mt-3">
      <Blank /> {unit && !unit.required ? unit.word : null}
    </p>
  ),
  "single-choice": ({ options }) => <Options options={options} round />,
  "multiple-choice": ({ options }) => <Options options={options} round={false} />,
  "short-text": () => (
    <p className="mt-3">
      <Blank wide />
    </p>
  ),
  expression: () => (
    <p className="mt-3">
      <Blank wide />
    </p>
  ),
  steps: ({ start }) => (
    <div className="mt-2">
      <p className="text-[18px]">
        <MathText text={start} />
      </p>
      {[1, 2, 3, 4].map((line) => (
        <p key={line} className="mt-2">
          <Blank wide />
        </p>
      ))}
    </div>
  ),
  written: ({ length, criteria }) => (
    <div className="mt-2">
      {criteria.length > 0 ? (
        <ul className="mb-1 text-[14px]">
          {criteria.map(({ name, levels }, place) => (
            <li key={place}>
              {name} ({levels.length - 1} {levels.length === 2 ? "point" : "points"})
            </li>
          ))}
        </ul>
      ) : null}
      {Array.from({ length: LINES[length] }, (_, line) => (
        <p key={line} className="border-black h-8 border-b" />
      ))}
    </div>
  ),
  "inline-choice": ({ pieces }) => (
    <p className="mt-2 leading-loose">
      {pieces.map((piece, place) =>
        "gap" in piece ? (
          <span key={piece.gap} className="border-black mx-1 border px-1.5 py-0.5">
            <MathText text={piece.options.map(({ text }) => text).join("  |  ")} />
          </span>
        ) : (
          <MathText key={place} text={piece.text} />
        ),
      )}
    </p>
  ),
  order: ({ members }) => (
    <ul className="mt-2 space-y-1.5">
      {members.map(({ letter, text }) => (
        <li key={letter}>
          <span className="border-black mr-2 inline-block h-7 w-9 translate-y-1 border-[1.5px]" />
          <MathText text={text} />
        </li>
      ))}
    </ul>
  ),
  matching: ({ things, partners }) => (
    <div className="mt-2 grid grid-cols-2 gap-6">
      <ul className="space-y-1.5">
        {things.map(({ place, text }) => (
          <li key={place}>
            <span className="border-black mr-2 inline-block h-6 w-8 border-b-[1.5px]" />
            <MathText text={text} />
          </li>
        ))}
      </ul>
      <ul className="space-y-1.5">
        {partners.map(({ letter, text }) => (
          <li key={letter}>
            <b>{letter}</b> <MathText text={text} />
          </li>
        ))}
      </ul>
    </div>
  ),
  "select-words": ({ pieces }) => (
    <p className="mt-2 leading-loose">
      {pieces.map(({ text, place }, at) => (
        <span key={at} className={place === null ? "" : "border-black border border-dotted px-1"}>
          {text}
        </span>
      ))}
    </p>
  ),
  "number-line": (shown) => <PrintedLine {...shown} />,
  grid: (shown) => <PrintedGrid {...shown} />,
  shading: (shown) => <PrintedShading {...shown} />,
};

/** What is to be done on paper, where it is not done as on a screen. */
export const PAPER_WORDS: Readonly<Partial<Record<ItemKind, string>>> = {
  "multiple-choice": "Tick all that fit.",
  "inline-choice": "Ring the words that belong there.",
  order: "Number them in order, from 1.",
  matching: "Write the letter that belongs to each.",
  "select-words": "Ring what is to be found.",
  steps: "Write a line for each step.",
  "number-line": "Mark it on the line.",
  grid: "Draw it on the grid.",
  shading: "Shade it.",
};

/** A part on paper. Part and kind belong together, which the type system can't see through a lookup. */
export function PrintedPart({ kind, shown }: { readonly kind: ItemKind; readonly shown: unknown }) {
  return <>{(PRINTS[kind] as (shown: unknown) => ReactNode)(shown)}</>;
}
