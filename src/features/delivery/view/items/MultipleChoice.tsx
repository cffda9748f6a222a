import type { PartControl } from "./control";
import { Options } from "./Options";

export const multipleChoice: PartControl<"multiple-choice", readonly string[]> = {
  empty: [],
  Control: ({ part, value, set, locked, label }) => (
    <>
      <p className="text-mute mt-4 text-[18px]">Choose all that are right.</p>
      <Options
        name={part.id}
        label={label}
        options={part.shown.options}
        chosen={value}
        choose={(letter) => set(value.includes(letter) ? value.filter((one) => one !== letter) : [...value, letter])}
        several
        locked={locked}
      />
    </>
  ),
  problem: (value) => (value.length === 0 ? "Choose at least one of the answers first." : null),
  response: (options) => ({ options }),
  words: (letters, { shown }) =>
    shown.options
      .filter(({ letter }) => letters.includes(letter))
      .map(({ text }) => text)
      .join("; "),
};
