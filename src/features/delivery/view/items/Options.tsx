import { MathText } from "@/ui/primitives/MathText";

/** Options to choose from: one of them, or several. */
export function Options({
  name,
  label,
  options,
  chosen,
  choose,
  several,
  locked,
}: {
  readonly name: string;
  readonly label: string;
  readonly options: readonly { readonly letter: string; readonly text: string }[];
  readonly chosen: readonly string[];
  readonly choose: (letter: string) => void;
  readonly several: boolean;
  readonly locked: boolean;
}) {
  return (
    <fieldset className="mt-5 grid max-w-[640px] gap-2.5" disabled={locked}>
      <legend className="sr-only">{label}</legend>
      {options.map(({ letter, text }) => (
        <label
          key={letter}
          className={`flex min-h-14 items-center gap-4 border-2 px-4 py-2 ${chosen.includes(letter) ? "border-ink bg-bank font-semibold" : "border-hair bg-field hover:border-mute"}`}
        >
          <input
            type={several ? "checkbox" : "radio"}
            name={name}
            value={letter}
            checked={chosen.includes(letter)}
            onChange={() => choose(letter)}
            className="accent-ink size-5"
          />
          <span>
            <MathText text={text} />
          </span>
        </label>
      ))}
    </fieldset>
  );
}
