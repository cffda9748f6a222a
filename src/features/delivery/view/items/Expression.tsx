import type { PartControl } from "./control";
import { Field } from "./Field";

export const expressionEntry: PartControl<"expression", string> = {
  empty: "",
  Control: ({ value, set, locked, label }) => (
    <>
      <Field label={label} value={value} set={set} locked={locked} wide />
      <p className="text-mute mt-2 text-[16px]">For example 2x + 3, x = 5, (1/2)x, x^2 or x &lt; 4.</p>
    </>
  ),
  problem: (value) => (value.trim() === "" ? "Write an answer first." : null),
  response: (text) => ({ text }),
  words: (text) => text,
};
