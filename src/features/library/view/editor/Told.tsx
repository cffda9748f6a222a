"use client";
import { useFormContext } from "react-hook-form";
import { FIELD } from "@/ui/primitives/Field";
import type { DraftFields } from "./draftFields";

/** What students are told on the way and afterwards. */
export function Told() {
  const { register } = useFormContext<DraftFields>();
  return (
    <section>
      <h2 className="mb-2 font-serif text-[18px] font-medium">What students are told</h2>
      <label className="mb-2 block text-[15px]">
        <span className="mb-0.5 block">Hint, for those who ask</span>
        <textarea className={`${FIELD} font-reading w-full`} rows={2} {...register("hint")} />
      </label>
      <label className="block text-[15px]">
        <span className="mb-0.5 block">Worked solution, when the item is over</span>
        <textarea className={`${FIELD} font-reading w-full`} rows={2} {...register("solution")} />
      </label>
    </section>
  );
}
