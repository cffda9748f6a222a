"use client";
import { useState } from "react";
import { type ModelSetting, numberIn } from "@/core/manipulatives/modelSetting";
import { Handle } from "./handle";
import { writeValue } from "./writeValue";

const [WIDTH, LEFT] = [640, 70];

/** Two lines that run together: a point moves along both, and says what belongs to what. */
export function DoubleLineModel({ setting }: { readonly setting: ModelSetting }) {
  const [top, bottom] = [String(setting.top ?? ""), String(setting.bottom ?? "")];
  const rate = numberIn(setting, "rate", 1);
  const to = numberIn(setting, "to", 10);
  const marks = to > 20 ? 12 : to;
  const by = to / marks;
  const [place, setPlace] = useState(1);
  const step = (WIDTH - LEFT - 30) / marks;
  const xOf = (at: number) => LEFT + at * step;
  const line = (y: number, name: string, numberAt: (at: number) => number, above: boolean) => (
    <>
      <text x={LEFT - 14} y={y + 5} textAnchor="end" fontSize={15} fill="currentColor">
        {name}
      </text>
      <line x1={LEFT} x2={WIDTH - 16} y1={y} y2={y} stroke="currentColor" strokeWidth={2} />
      {Array.from({ length: marks + 1 }, (_, at) => at).map((at) => (
        <g key={at}>
          <line x1={xOf(at)} x2={xOf(at)} y1={y - 6} y2={y + 6} stroke="currentColor" />
          <text x={xOf(at)} y={above ? y - 14 : y + 26} textAnchor="middle" fontSize={14} fill="currentColor">
            {writeValue(numberAt(at))}
          </text>
        </g>
      ))}
    </>
  );
  return (
    <figure>
      <svg viewBox={`0 0 ${WIDTH} 170`} className="w-full">
        <title>Double number line</title>
        {line(56, top, (at) => at * by * rate, true)}
        {line(112, bottom, (at) => at * by, false)}
        <line x1={xOf(place)} x2={xOf(place)} y1={44} y2={124} stroke="#4E9C9A" strokeWidth={3} />
        <Handle
          x={xOf(place)}
          y={84}
          place={place}
          last={marks}
          step={step}
          label="Pair"
          said={`${bottom}: ${writeValue(place * by)}, ${top}: ${writeValue(place * by * rate)}`}
          move={setPlace}
        />
      </svg>
      <figcaption className="text-center text-[16px]" aria-live="polite">
        {bottom}: <b>{writeValue(place * by)}</b>, {top}: <b>{writeValue(place * by * rate)}</b>
      </figcaption>
    </figure>
  );
}
