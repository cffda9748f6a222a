import { MathText } from "@/ui/primitives/MathText";
import type { PartControl } from "./control";

export const matchingRows: PartControl<"matching", Readonly<Record<string, string>>> = {
  empty: {},
  Control: ({ part, value, set, locked, label }) => (
    <div className="mt-5 grid max-w-[640px] gap-4">
      <span className="sr-only">{label}</span>
      {part.shown.things.map(({ place, text }) => (
        <fieldset key={place} className="border-hair border-t pt-3" disabled={locked}>
          <legend className="float-left mr-4 min-w-40 py-2 text-[20px] font-semibold">
            <MathText text={text} />
          </legend>
          <div className="flex flex-wrap gap-2">
            {part.shown.partners.map((partner) => {
              const isChosen = value[place] === partner.letter;
              return (
                <label
                  key={partner.letter}
                  className={`has-focus-visible:outline-ink flex min-h-11 items-center border-2 px-3 text-[18px] has-focus-visible:outline-3 ${isChosen ? "border-ink bg-bank font-semibold" : "border-hair bg-field hover:border-mute"}`}
                >
                  <input
                    type="radio"
                    className="sr-only"
                    data-answer={place === "1" && partner.letter === "A" ? "" : undefined}
                    name={`${part.id} ${place}`}
                    checked={isChosen}
                    onChange={() => set({ ...value, [place]: partner.letter })}
                  />
                  <MathText text={partner.text} />
                </label>
              );
            })}
          </div>
        </fieldset>
      ))}
    </div>
  ),
  problem: (value, { shown }) =>
    shown.things.some(({ place }) => value[place] === undefined) ? "Give each one a partner first." : null,
  response: (pairs) => ({ pairs }),
  words: (value, { shown }) =>
    shown.things
      .map(({ place, text }) => {
        const partner = shown.partners.find(({ letter }) => letter === value[place]);
        return `${text}: ${partner?.text ?? ""}`;
      })
      .join("; "),
};
