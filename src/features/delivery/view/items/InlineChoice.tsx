import { Fragment } from "react";
import { MathText } from "@/ui/primitives/MathText";
import type { PartControl } from "./control";

export const inlineChoice: PartControl<"inline-choice", Readonly<Record<string, string>>> = {
  empty: {},
  Control: ({ part, value, set, locked, label }) => (
    <fieldset className="mt-5 max-w-[640px] text-[22px] leading-[2.4]" disabled={locked}>
      <legend className="sr-only">{label}</legend>
      {part.shown.pieces.map((piece, place) =>
        "text" in piece ? (
          <Fragment key={place}>
            <MathText text={piece.text} />
          </Fragment>
        ) : (
          <select
            key={piece.gap}
            data-answer={piece.gap === "1" ? "" : undefined}
            aria-label={`Gap ${piece.gap}`}
            className="border-ink bg-field mx-1 min-h-11 border-2 px-2 font-semibold"
            value={value[piece.gap] ?? ""}
            onChange={(event) => set({ ...value, [piece.gap]: event.target.value })}
          >
            <option value="" disabled>
              choose
            </option>
            {piece.options.map(({ letter, text }) => (
              <option key={letter} value={letter}>
                {text}
              </option>
            ))}
          </select>
        ),
      )}
    </fieldset>
  ),
  problem: (value, { shown }) =>
    shown.pieces.some((piece) => "gap" in piece && value[piece.gap] === undefined) ? "Fill every gap first." : null,
  response: (choices) => ({ choices }),
  words: (value, { shown }) =>
    shown.pieces
      .flatMap((piece) =>
        "gap" in piece ? [piece.options.find(({ letter }) => letter === value[piece.gap])?.text ?? ""] : [],
      )
      .join("; "),
};
