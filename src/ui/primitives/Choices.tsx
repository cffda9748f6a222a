import type { ReactNode } from "react";

/** One of a few, each in a line of its own. `name` tells the group from others on the page. */
export function Choices<Value extends string>({
  name,
  value,
  of,
  set,
}: {
  readonly name: string;
  readonly value: Value;
  readonly of: readonly (readonly [Value, ReactNode])[];
  readonly set: (value: Value) => void;
}) {
  return (
    <div>
      {of.map(([one, words]) => (
        <label key={one} className="flex items-baseline gap-2 py-0.5">
          <input type="radio" name={name} className="accent-ink" checked={value === one} onChange={() => set(one)} />
          {words}
        </label>
      ))}
    </div>
  );
}
