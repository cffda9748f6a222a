"use client";
import { useFormContext, useWatch } from "react-hook-form";
import type { LineMarkBody } from "@/core/items/numberLine/body";
import { FIELD } from "@/ui/primitives/Field";

/** The right mark on a number line: a point, or an interval whose sides may go on without end. */
export function LineMark({ label, path }: { readonly label: string; readonly path: string }) {
  const { control, setValue } = useFormContext();
  const mark = (useWatch({ control, name: path }) ?? { point: "" }) as LineMarkBody;
  const set = (next: LineMarkBody) => setValue(path, next, { shouldDirty: true });
  const isPoint = "point" in mark;
  const interval = isPoint ? null : mark;
  const side = (end: "low" | "high", words: string, withEnd: "withLow" | "withHigh") =>
    interval ? (
      <span className="flex items-end gap-2">
        <label className="block w-36 text-[15px]">
          <span className="mb-0.5 block">{words}</span>
          <input
            className={`${FIELD} font-reading w-full`}
            placeholder="without end"
            value={interval[end] ?? ""}
            onChange={({ target: { value } }) => set({ ...interval, [end]: value.trim() === "" ? null : value })}
          />
        </label>
        <label className="flex min-h-8 items-center gap-1.5 text-[15px]">
          <input
            type="checkbox"
            checked={interval[withEnd]}
            onChange={({ target: { checked } }) => set({ ...interval, [withEnd]: checked })}
          />
          belongs to it
        </label>
      </span>
    ) : null;
  return (
    <fieldset className="flex w-full flex-wrap items-end gap-x-4 gap-y-2">
      <legend className="text-mute mb-1 text-[15px]">{label}</legend>
      <label className="block text-[15px]">
        <span className="mb-0.5 block">Marked is</span>
        <select
          className={FIELD}
          value={isPoint ? "point" : "interval"}
          onChange={({ target: { value } }) =>
            set(value === "point" ? { point: "" } : { low: "", high: null, withLow: true, withHigh: true })
          }
        >
          <option value="point">a point</option>
          <option value="interval">an interval</option>
        </select>
      </label>
      {isPoint ? (
        <label className="block w-36 text-[15px]">
          <span className="mb-0.5 block">at</span>
          <input
            className={`${FIELD} font-reading w-full`}
            value={mark.point}
            onChange={({ target: { value } }) => set({ point: value })}
          />
        </label>
      ) : null}
      {side("low", "from", "withLow")}
      {side("high", "to", "withHigh")}
    </fieldset>
  );
}
