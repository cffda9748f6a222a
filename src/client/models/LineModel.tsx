"use client";
import { useState } from "react";
import { type ModelSetting, numberIn } from "@/core/manipulatives/modelSetting";
import { Handle } from "./handle";
import { writeValue } from "./writeValue";

const [WIDTH, LEFT, Y] = [640, 30, 92];

/** A number line with two points to move and the hop between them. */
export function LineModel({ setting }: { readonly setting: ModelSetting }) {
  const from = numberIn(setting, "from", 0);
  const to = numberIn(setting, "to", 20);
  const by = numberIn(setting, "by", 1);
  const last = Math.max(1, Math.round((to - from) / by));
  const [places, setPlaces] = useState([Math.round(last / 4), Math.round(last / 2)] as const);
  const step = (WIDTH - 2 * LEFT) / last;
  const xOf = (place: number) => LEFT + place * step;
  const numberAt = (place: number) => from + place * by;
  const every = Math.max(1, Math.ceil(34 / step));
  const [one, other] = places;
  const hop = (other - one) * by;
  const middle = (xOf(one) + xOf(other)) / 2;
  return (
    <figure>
      <svg viewBox={`0 0 ${WIDTH} 140`} className="w-full">
        <title>Number line</title>
        <line x1={LEFT - 14} x2={WIDTH - LEFT + 14} y1={Y} y2={Y} stroke="currentColor" strokeWidth={2} />
        {Array.from({ length: last + 1 }, (_, place) => place).map((place) => (
          <g key={place}>
            <line
              x1={xOf(place)}
              x2={xOf(place)}
              y1={Y - (place % every === 0 ? 9 : 5)}
              y2={Y + 5}
              stroke="currentColor"
            />
            {place % every === 0 ? (
              <text x={xOf(place)} y={Y + 34} textAnchor="middle" fontSize={15} fill="currentColor">
                {writeValue(numberAt(place))}
              </text>
            ) : null}
          </g>
        ))}
        {hop === 0 ? null : (
          <>
            <path
              d={`M ${xOf(one)} ${Y - 12} Q ${middle} ${Y - 84} ${xOf(other)} ${Y - 12}`}
              fill="none"
              stroke="#4E9C9A"
              strokeWidth={3}
            />
            <text x={middle} y={Y - 56} textAnchor="middle" fontSize={17} fontWeight={700} fill="currentColor">
              {hop > 0 ? "+" : ""}
              {writeValue(hop)}
            </text>
          </>
        )}
        {places.map((place, which) => (
          <Handle
            key={which}
            x={xOf(place)}
            y={Y}
            place={place}
            last={last}
            step={step}
            label={which === 0 ? "Start" : "End"}
            said={writeValue(numberAt(place))}
            colour={which === 0 ? "#4E9C9A" : "#1F5673"}
            move={(wanted) => setPlaces(which === 0 ? [wanted, other] : [one, wanted])}
          />
        ))}
      </svg>
      <figcaption className="text-center text-[16px]" aria-live="polite">
        From <b>{writeValue(numberAt(one))}</b> to <b>{writeValue(numberAt(other))}</b>
      </figcaption>
    </figure>
  );
}
