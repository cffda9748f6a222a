import type { ShownOf } from "@/core/items/rooms";
import { minusSigns } from "@/ui/primitives/minusSigns";

/** Figures are drawn in lines alone, so that any printer and copier keeps them. */
const INK = "black";
const THIN = 0.75;

const WIDTH = 480;
const EDGE = 20;

export function PrintedLine({ numbers, labelEvery }: ShownOf["number-line"]) {
  const last = numbers.length - 1;
  const xOf = (place: number) => EDGE + ((WIDTH - 2 * EDGE) * place) / last;
  return (
    <svg viewBox={`0 0 ${WIDTH} 56`} className="mt-3 w-full max-w-[480px]" role="img" aria-label="Number line">
      <line x1={4} x2={WIDTH - 4} y1={24} y2={24} stroke={INK} strokeWidth={1.5} />
      {numbers.map((number, place) => (
        <g key={number}>
          <line x1={xOf(place)} x2={xOf(place)} y1={18} y2={30} stroke={INK} strokeWidth={THIN} />
          {place % labelEvery === 0 ? (
            <text x={xOf(place)} y={48} fontSize={13} textAnchor="middle" fill={INK}>
              {minusSigns(number)}
            </text>
          ) : null}
        </g>
      ))}
    </svg>
  );
}

const CELL = 22;
const MARGIN = 30;

export function PrintedGrid({ across, up }: ShownOf["grid"]) {
  const [columns, rows] = [across.length - 1, up.length - 1];
  const [width, height] = [columns * CELL, rows * CELL];
  return (
    <svg
      viewBox={`0 0 ${width + 2 * MARGIN} ${height + 2 * MARGIN}`}
      className="mt-3 w-full"
      style={{ maxWidth: Math.min(420, width + 2 * MARGIN) }}
      role="img"
      aria-label="Grid"
    >
      {across.map((number, place) => (
        <g key={number}>
          <line
            x1={MARGIN + place * CELL}
            x2={MARGIN + place * CELL}
            y1={MARGIN}
            y2={MARGIN + height}
            stroke={INK}
            strokeWidth={number === "0" ? 1.75 : THIN / 2}
          />
          <text x={MARGIN + place * CELL} y={MARGIN + height + 16} fontSize={11} textAnchor="middle" fill={INK}>
            {minusSigns(number)}
          </text>
        </g>
      ))}
      {up.map((number, place) => (
        <g key={number}>
          <line
            x1={MARGIN}
            x2={MARGIN + width}
            y1={MARGIN + height - place * CELL}
            y2={MARGIN + height - place * CELL}
            stroke={INK}
            strokeWidth={number === "0" ? 1.75 : THIN / 2}
          />
          <text x={MARGIN - 6} y={MARGIN + height - place * CELL + 4} fontSize={11} textAnchor="end" fill={INK}>
            {minusSigns(number)}
          </text>
        </g>
      ))}
    </svg>
  );
}

export function PrintedShading({ parts, columns }: ShownOf["shading"]) {
  const rows = Math.ceil(parts / columns);
  const size = Math.min(30, 440 / columns);
  return (
    <svg
      viewBox={`-1 -1 ${columns * size + 2} ${rows * size + 2}`}
      className="mt-3 block"
      style={{ width: columns * size + 2 }}
      role="img"
      aria-label="Figure to shade"
    >
      {Array.from({ length: parts }, (_, place) => (
        <rect
          key={place}
          x={(place % columns) * size}
          y={Math.floor(place / columns) * size}
          width={size}
          height={size}
          fill="none"
          stroke={INK}
        />
      ))}
    </svg>
  );
}
