import { BOX } from "./look";

/** A whole number within bounds; what is none is not taken. */
export function NumberBox({
  label,
  value,
  min,
  max,
  set,
}: {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly set: (value: number) => void;
}) {
  return (
    <input
      type="number"
      name={label.toLowerCase()}
      aria-label={label}
      className={`${BOX} w-18`}
      min={min}
      max={max}
      required
      value={value}
      onChange={(event) => {
        const typed = event.target.valueAsNumber;
        if (Number.isFinite(typed)) set(Math.round(typed));
      }}
    />
  );
}
