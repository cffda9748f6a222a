import type { PartControl } from "./control";
import { Field } from "./Field";
import { FormulaPad } from "./FormulaPad";

export const expressionEntry: PartControl<"expression", string> = {
  empty: "",
  Control: ({ value, set, locked, label }) => (
    <>
      <Field label={label} value={value} set={set} locked={locked} wide />
      <p className="text-mute mt-2 text-[16px]">For example 2x + 3, x = 5, (1/2)x, x^2 or x &lt; 4.</p>
      {locked ? null : <FormulaPad value={value} set={set} label={`${label}, set as a formula`} />}
    </>
  ),
  problem: (value) => (value.trim() === "" ? "Write an answer first." : null),
  response: (text) => ({ text }),
  words: (text) => text,
};
