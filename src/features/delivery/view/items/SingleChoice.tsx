import type { PartControl } from "./control";
import { Options } from "./Options";

export const singleChoice: PartControl<"single-choice", string> = {
  empty: "",
  Control: ({ part, value, set, locked, label }) => (
    <Options
      name={part.id}
      label={label}
      options={part.shown.options}
      chosen={value === "" ? [] : [value]}
      choose={set}
      several={false}
      locked={locked}
    />
  ),
  problem: (value) => (value === "" ? "Choose one of the answers first." : null),
  response: (option) => ({ option }),
  words: (letter, { shown }) => shown.options.find((option) => option.letter === letter)?.text ?? letter,
};
