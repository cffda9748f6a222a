import { readNumber } from "@/core/answers/readNumber";
import type { PartControl } from "./control";
import { Field } from "./Field";

export const numberEntry: PartControl<"number", string> = {
  empty: "",
  Control: ({ part, value, set, locked, label }) => (
    <Field
      label={label}
      value={value}
      set={set}
      locked={locked}
      after={part.shown.unit && !part.shown.unit.required ? part.shown.unit.word : null}
    />
  ),
  problem: (value) => {
    if (value.trim() === "") return "Write an answer first.";
    const reading = readNumber(value);
    if (reading.ok) return null;
    return reading.reason === "zero-below"
      ? "A fraction can't have 0 below the line."
      : "Write a number, for example 12, 0.5, 3/4 or 1 1/2.";
  },
  response: (text) => ({ text }),
  words: (text) => text,
};
