"use client";
import { useState } from "react";
import { type ModelSetting, numbersIn } from "@/core/manipulatives/modelSetting";
import { median } from "@/core/numeric/median";
import { ModelButton } from "./Stepper";
import { writeValue } from "./writeValue";

const [WIDTH, LEFT, BASE, DOT] = [640, 36, 190, 9];
const MOST_DOTS = 30;

/** Dots over a number line, one for each measurement, with mean and median as they change. */
export function DotPlotModel({ setting }: { readonly setting: ModelSetting }) {
  const start = numbersIn(setting, "values", [1, 2, 2, 3]);
  const by = start.every(Number.isInteger) ? 1 : 0.25;
  const low = Math.floor(Math.min(...start)) - by;
  const places = Math.round((Math.ceil(Math.max(...start)) + 2 * by - low) / by);
  const [values, setValues] = useState(start);
  const [place, setPlace] = useState(Math.round(places / 2));
  const step = (WIDTH - 2 * LEFT) / places;
  const xOf = (value: number) => LEFT + ((value - low) / by) * step;
  const chosen = low + place * by;
  const sorted = [...values].sort((x, y) => x - y);
  const mean = values.reduce((sum, value) => sum + value, 0) / (values.length || 1);
  return (
    <div>
      <svg viewBox={`0 0 ${WIDTH} 230`} className="w-full" role="img" aria-label={`Dots at ${sorted.join(", ")}`}>
        <line x1={LEFT - 12} x2={WIDTH - LEFT + 12} y1={BASE} y2={BASE} stroke="currentColor" strokeWidth={2} />
        {Array.from({ length: places + 1 }, (_, at) => low + at * by).map((value) => (
          <text
            key={value}
            x={xOf(value)}
            y={BASE + 24}
            textAnchor="middle"
            fontSize={14}
            fontWeight={value === chosen ? 700 : 400}
            fill="currentColor"
          >
            {writeValue(value)}
          </text>
        ))}
        {sorted.map((value, at) => (
          <circle
            key={at}
            cx={xOf(value)}
            cy={BASE - 14 - (at - sorted.indexOf(value)) * (2 * DOT + 2)}
            r={DOT}
            fill={value === chosen ? "#1F5673" : "#4E9C9A"}
          />
        ))}
        {values.length > 0 ? (
          <path d={`M ${xOf(mean)} ${BASE + 2} l -8 14 h 16 Z`} fill="#E3CFA4" stroke="currentColor" />
        ) : null}
      </svg>
      <p className="text-center text-[17px]" aria-live="polite">
        {values.length} values, mean <b>{values.length > 0 ? writeValue(mean) : "–"}</b>, median{" "}
        <b>{values.length > 0 ? writeValue(median(values)) : "–"}</b>
      </p>
      <div className="mt-2 flex flex-wrap items-center justify-center gap-2">
        <ModelButton label="one place to the left" disabled={place === 0} press={() => setPlace(place - 1)}>
          ←
        </ModelButton>
        <ModelButton label="one place to the right" disabled={place === places} press={() => setPlace(place + 1)}>
          →
        </ModelButton>
        <ModelButton disabled={values.length >= MOST_DOTS} press={() => setValues([...values, chosen])}>
          add a dot at {writeValue(chosen)}
        </ModelButton>
        <ModelButton
          disabled={!values.includes(chosen)}
          press={() => setValues(values.filter((_, at) => at !== values.lastIndexOf(chosen)))}
        >
          take one away
        </ModelButton>
      </div>
    </div>
  );
}
