"use client";
import { useState } from "react";
import { type ModelSetting, numbersIn } from "@/core/manipulatives/modelSetting";
import { Handle } from "./handle";
import { writeValue } from "./writeValue";

const [SIZE, EDGE] = [420, 34];

/** A coordinate grid: two sliders along the axes set a point; with a line, the line through it and its start goes along. */
export function GridModel({ setting }: { readonly setting: ModelSetting }) {
  const [left = 0, right = 10] = numbersIn(setting, "across", [0, 10]);
  const [low = 0, high = 10] = numbersIn(setting, "up", [0, 10]);
  const hasLine = Array.isArray(setting.line);
  const stepX = niceStep(right - left);
  const stepY = niceStep(high - low);
  const [columns, rows] = [Math.round((right - left) / stepX), Math.round((high - low) / stepY)];
  const [lineX = 0, lineY = 0] = numbersIn(setting, "line", [left + 4 * stepX, low + 6 * stepY]);
  const [at, setAt] = useState([
    Math.round((lineX - left) / stepX),
    Math.min(rows, Math.round((lineY - low) / stepY)),
  ] as const);
  const side = SIZE - 2 * EDGE;
  const xOf = (column: number) => EDGE + (column * side) / columns;
  const yOf = (row: number) => SIZE - EDGE - (row * side) / rows;
  const [column, row] = at;
  const [x, y] = [left + column * stepX, low + row * stepY];
  const [zeroX, zeroY] = [xOf(-left / stepX), yOf(-low / stepY)];
  return (
    <figure>
      <svg viewBox={`0 0 ${SIZE} ${SIZE}`} className="mx-auto w-full max-w-md">
        <title>Coordinate grid</title>
        {Array.from({ length: columns + 1 }, (_, one) => one).map((one) => (
          <g key={`c${one}`}>
            <line x1={xOf(one)} x2={xOf(one)} y1={EDGE} y2={SIZE - EDGE} stroke="#D9CDB4" />
            <text x={xOf(one)} y={SIZE - 12} textAnchor="middle" fontSize={12} fill="currentColor">
              {writeValue(left + one * stepX)}
            </text>
          </g>
        ))}
        {Array.from({ length: rows + 1 }, (_, one) => one).map((one) => (
          <g key={`r${one}`}>
            <line x1={EDGE} x2={SIZE - EDGE} y1={yOf(one)} y2={yOf(one)} stroke="#D9CDB4" />
            <text x={EDGE - 8} y={yOf(one) + 4} textAnchor="end" fontSize={12} fill="currentColor">
              {writeValue(low + one * stepY)}
            </text>
          </g>
        ))}
        <line x1={EDGE} x2={SIZE - EDGE} y1={zeroY} y2={zeroY} stroke="currentColor" strokeWidth={2} />
        <line x1={zeroX} x2={zeroX} y1={EDGE} y2={SIZE - EDGE} stroke="currentColor" strokeWidth={2} />
        {hasLine && x !== 0 ? (
          <line x1={zeroX} y1={zeroY} x2={xOf(column)} y2={yOf(row)} stroke="#4E9C9A" strokeWidth={3} />
        ) : null}
        <path
          d={`M ${xOf(column)} ${zeroY} V ${yOf(row)} H ${zeroX}`}
          fill="none"
          stroke="#1F5673"
          strokeDasharray="5 4"
        />
        <circle cx={xOf(column)} cy={yOf(row)} r={7} fill="#1F5673" />
        <Handle
          x={xOf(column)}
          y={zeroY}
          place={column}
          last={columns}
          step={side / columns}
          label="Across"
          said={writeValue(x)}
          colour="#4E9C9A"
          move={(place) => setAt([place, row])}
        />
        <Handle
          x={zeroX}
          y={yOf(row)}
          place={row}
          last={rows}
          step={side / rows}
          label="Up"
          said={writeValue(y)}
          upright
          colour="#4E9C9A"
          move={(place) => setAt([column, place])}
        />
      </svg>
      <figcaption className="text-center text-[18px]" aria-live="polite">
        <b>
          ({writeValue(x)}, {writeValue(y)})
        </b>
        {hasLine && x !== 0 ? `, up ÷ across = ${writeValue(y / x)}` : ""}
      </figcaption>
    </figure>
  );
}

/** About ten steps, each 1, 2 or 5 times a power of ten. */
function niceStep(span: number): number {
  const power = 10 ** Math.floor(Math.log10(Math.max(span, 1) / 10));
  return [1, 2, 5, 10].map((one) => one * power).find((step) => span / step <= 16) ?? power;
}
