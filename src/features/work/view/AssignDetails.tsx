"use client";
import type { UseFormRegister } from "react-hook-form";
import { CERTAINTIES } from "@/core/model/work";
import { type AssignFields, BOX, ENDS, ENDS_IN_ORDER, LABEL, SURE } from "./assignFields";

/** What students read, when the work opens and is due, and how it ends. */
export function AssignDetails({
  register,
  today,
  opensDay,
  kind,
  certainty,
  isPicked,
}: {
  readonly register: UseFormRegister<AssignFields>;
  readonly today: string;
  readonly opensDay: string;
  readonly kind: AssignFields["kind"];
  readonly certainty: AssignFields["certainty"];
  /** The items were picked by hand: it ends when they are done. */
  readonly isPicked: boolean;
}) {
  return (
    <div className="space-y-4">
      <label className="block">
        <span className={LABEL}>Title, as students see it</span>
        <input className={`${BOX} w-full`} maxLength={80} {...register("title")} />
      </label>
      <label className="block">
        <span className={LABEL}>Instructions to students</span>
        <textarea className={`${BOX} w-full`} rows={2} maxLength={500} {...register("instructions")} />
      </label>
      <div className="grid grid-cols-2 gap-3">
        <label className="block">
          <span className={LABEL}>Opens</span>
          <input type="date" className={`${BOX} w-full`} min={today} required {...register("opensDay")} />
        </label>
        <label className="block">
          <span className={LABEL}>Due, 20:00</span>
          <input type="date" className={`${BOX} w-full`} min={opensDay} required {...register("dueDay")} />
        </label>
      </div>
      {isPicked ? null : (
        <fieldset>
          <legend className={LABEL}>How it ends</legend>
          {ENDS_IN_ORDER.map((end) => (
            <label key={end} className="flex items-baseline gap-2 py-0.5 text-[15px]">
              <input type="radio" className="accent-ink" value={end} {...register("kind")} />
              {ENDS[end].choice}
            </label>
          ))}
          <label className="mt-2 flex items-center gap-2 text-[15px]">
            {ENDS[kind].before}
            <input
              type="number"
              className={`${BOX} w-20`}
              min={4}
              max={40}
              required
              {...register("items", { valueAsNumber: true })}
            />{" "}
            items
          </label>
          {ENDS[kind].isWhenSure ? (
            <label className="mt-2 flex items-center gap-2 text-[15px]">
              Sure that it is mastered:
              <select className={BOX} {...register("certainty")}>
                {CERTAINTIES.map((one) => (
                  <option key={one} value={one}>
                    {SURE[one].choice}
                  </option>
                ))}
              </select>
            </label>
          ) : null}
        </fieldset>
      )}
      <p className="text-mute text-[14px]">
        {isPicked ? "Everybody gets these items. The first try counts; the mark is the share right." : ENDS[kind].note}{" "}
        {ENDS[kind].isWhenSure ? SURE[certainty].note : null}
      </p>
    </div>
  );
}
