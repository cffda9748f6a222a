import { MathText } from "@/ui/primitives/MathText";
import type { PartControl } from "./control";

const ROWS = { sentence: 3, paragraph: 8, page: 18 } as const;
const MOST_LETTERS = 12_000;

export const writtenAnswer: PartControl<"written", string> = {
  empty: "",
  handIn: "Hand in",
  Control: ({ part, value, set, locked, label }) => {
    const { length, criteria } = part.shown;
    return (
      <>
        {criteria.length > 0 ? <LookedFor criteria={criteria} /> : null}
        <label className="mt-5 block max-w-[680px]">
          <span className="sr-only">{label}</span>
          <textarea
            data-answer
            className="border-ink bg-field w-full border-[2.5px] px-4 py-3 text-[20px] leading-relaxed"
            rows={ROWS[length]}
            value={value}
            onChange={(event) => set(event.target.value)}
            disabled={locked}
            maxLength={MOST_LETTERS}
          />
        </label>
        <p className="text-mute mt-1 text-[16px]">
          {wordsIn(value)} {wordsIn(value) === 1 ? "word" : "words"}. Your teacher reads what you write.
        </p>
      </>
    );
  },
  problem: (value) => (value.trim() === "" ? "Write an answer first." : null),
  response: (text) => ({ text }),
  words: (text) => text,
};

const wordsIn = (text: string): number => text.split(/\s+/).filter((word) => word !== "").length;

/** What the answer is looked at for, best level first. */
function LookedFor({
  criteria,
}: {
  readonly criteria: readonly { readonly name: string; readonly levels: readonly string[] }[];
}) {
  return (
    <details className="border-hair mt-4 max-w-[680px] border-l-4 pl-4 text-[18px]">
      <summary className="flex min-h-11 cursor-pointer items-center">What your teacher looks for</summary>
      {criteria.map(({ name, levels }, place) => (
        <div key={place} className="mb-2">
          {name === "" ? null : (
            <p className="font-semibold">
              <MathText text={name} />
            </p>
          )}
          <ul>
            {levels
              .map((words, points) => (
                <li key={points} className="flex gap-2">
                  <span className="w-6 shrink-0 text-right tabular-nums">{points}</span>
                  <MathText text={words} />
                </li>
              ))
              .reverse()}
          </ul>
        </div>
      ))}
    </details>
  );
}
