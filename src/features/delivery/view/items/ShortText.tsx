import type { PartControl } from "./control";
import { Field } from "./Field";

export const shortText: PartControl<"short-text", string> = {
  empty: "",
  Control: ({ value, set, locked, label }) => <Field label={label} value={value} set={set} locked={locked} wide />,
  problem: (value) => (value.trim() === "" ? "Write an answer first." : null),
  response: (text) => ({ text }),
  words: (text) => text,
};
