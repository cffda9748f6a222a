"use client";
import { useState } from "react";
import { type ModelSetting, numberIn, numbersIn } from "@/core/manipulatives/modelSetting";
import { Stepper } from "./Stepper";
import { writeValue } from "./writeValue";

const MOST_PARTS = 24;

/** Bars of one length, each cut into equal parts of which some are shaded: to compare fractions, or to share an amount. */
export function BarsModel({ setting }: { readonly setting: ModelSetting }) {
  const total = numberIn(setting, "total", 0);
  const wholes = numberIn(setting, "wholes", 1);
  const each = numberIn(setting, "parts", 4);
  const parts = numbersIn(
    setting,
    "parts",
    Array.from({ length: Math.max(1, wholes) }, () => each),
  );
  const shaded = numbersIn(setting, "shaded", []);
  const [bars, setBars] = useState(parts.map((count, place) => ({ parts: count, shaded: shaded[place] ?? 0 })));
  const change = (place: number, to: { parts: number; shaded: number }) =>
    setBars(bars.map((bar, at) => (at === place ? { ...to, shaded: Math.min(to.shaded, to.parts) } : bar)));
  return (
    <div className="space-y-3">
      {bars.map((bar, place) => (
        <div key={place}>
          <div className="border-ink flex h-12 border-2">
            {Array.from({ length: bar.parts }, (_, at) => at).map((at) => (
              <button
                key={at}
                type="button"
                aria-pressed={at < bar.shaded}
                aria-label={`Part ${at + 1} of ${bar.parts}`}
                className={`border-ink flex-1 border-r last:border-r-0 ${at < bar.shaded ? "bg-[#4E9C9A]" : "bg-[#FBF8F2]"}`}
                onClick={() => change(place, { ...bar, shaded: at + 1 === bar.shaded ? at : at + 1 })}
              />
            ))}
          </div>
          <div className="mt-1.5 flex flex-wrap items-center justify-between gap-2">
            <Stepper
              label="parts"
              value={bar.parts}
              low={1}
              high={MOST_PARTS}
              set={(count) => change(place, { ...bar, parts: count })}
            />
            <span className="text-[16px]" aria-live="polite">
              <b>
                {bar.shaded}/{bar.parts}
              </b>
              {total > 0 ? ` of ${total}: ${writeValue((total / bar.parts) * bar.shaded)}` : ""}
              {setting.percent === true ? ` (${writeValue((100 / bar.parts) * bar.shaded)} %)` : ""}
            </span>
          </div>
        </div>
      ))}
    </div>
  );
}
