import { type KeyboardEvent, type MouseEvent, useRef, useState } from "react";
import type { Crossing } from "@/core/items/grid/body";
import { crossingWords } from "@/core/items/grid/crossings";
import { Button } from "@/ui/primitives/Button";
import { minusSigns } from "@/ui/primitives/minusSigns";
import type { ControlProps, PartControl } from "./control";

export const gridPlane: PartControl<"grid", readonly Crossing[]> = {
  empty: [],
  Control: (props) => <Plane {...props} />,
  problem: (value, { shown }) => {
    if (shown.task === "line") return value.length < 2 ? "Set two points that the line goes through." : null;
    return value.length === 0 ? "Set a point first." : null;
  },
  response: (points) => ({ points }),
  words: (points, { shown }) => crossingWords(shown, points),
};

const isSame = ([x, y]: Crossing, [u, v]: Crossing): boolean => x === u && y === v;

const SIZE = 440;
const EDGE = 38;

function Plane({ part, value, set, locked, label }: ControlProps<"grid", readonly Crossing[]>) {
  const { across, up, task } = part.shown;
  const svg = useRef<SVGSVGElement>(null);
  const [cursor, setCursor] = useState<Crossing>([Math.floor(across.length / 2), Math.floor(up.length / 2)]);
  const xOf = (line: number) => EDGE + ((SIZE - 2 * EDGE) * line) / (across.length - 1);
  const yOf = (line: number) => SIZE - EDGE - ((SIZE - 2 * EDGE) * line) / (up.length - 1);
  const within = (at: number, count: number) => Math.min(count - 1, Math.max(0, at));
  const toggle = (point: Crossing) => {
    if (locked) return;
    const kept = value.filter((one) => !isSame(one, point));
    if (kept.length < value.length) set(kept);
    // A line is given by two points: a third takes the place of the first.
    else set(task === "line" ? [...value.slice(-1), point] : [...value, point]);
  };
  const press = (event: MouseEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return;
    const [x, y] = [((event.clientX - box.left) / box.width) * SIZE, ((event.clientY - box.top) / box.height) * SIZE];
    const point: Crossing = [
      within(Math.round(((x - EDGE) / (SIZE - 2 * EDGE)) * (across.length - 1)), across.length),
      within(Math.round(((SIZE - EDGE - y) / (SIZE - 2 * EDGE)) * (up.length - 1)), up.length),
    ];
    setCursor(point);
    toggle(point);
  };
  const keys = (event: KeyboardEvent) => {
    const [x, y] = cursor;
    const to: Crossing | undefined = (
      { ArrowRight: [x + 1, y], ArrowLeft: [x - 1, y], ArrowUp: [x, y + 1], ArrowDown: [x, y - 1] } as const
    )[event.key as "ArrowUp"];
    if (to) setCursor([within(to[0], across.length), within(to[1], up.length)]);
    else if (event.key === " " || event.key === "Enter") toggle(cursor);
    else return;
    event.preventDefault();
  };
  const isSet = value.some((one) => isSame(one, cursor));
  return (
    <div className="mt-5 max-w-[640px]">
      <p className="text-mute mb-2 text-[18px]">
        {task === "line" ? "Set two points that the line goes through" : "Set the points"}: press a crossing, or move
        with the arrow keys and press Space.
      </p>
      <svg
        ref={svg}
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        className="w-[min(100%,440px,46vh)] touch-manipulation select-none"
        role="application"
        aria-label={`${label}: coordinate grid`}
        data-answer=""
        // biome-ignore lint/a11y/noNoninteractiveTabindex: an application of its own, which takes the arrow keys.
        tabIndex={0}
        onClick={press}
        onKeyDown={keys}
      >
        <rect width={SIZE} height={SIZE} fill="transparent" />
        {across.map((number, line) => (
          <g key={number}>
            <line x1={xOf(line)} x2={xOf(line)} y1={EDGE} y2={SIZE - EDGE} {...strokeOf(number)} />
            <text x={xOf(line)} y={SIZE - EDGE + 24} textAnchor="middle" fontSize={18} fill="var(--ink)">
              {minusSigns(number)}
            </text>
          </g>
        ))}
        {up.map((number, line) => (
          <g key={number}>
            <line y1={yOf(line)} y2={yOf(line)} x1={EDGE} x2={SIZE - EDGE} {...strokeOf(number)} />
            <text x={EDGE - 8} y={yOf(line) + 5} textAnchor="end" fontSize={18} fill="var(--ink)">
              {minusSigns(number)}
            </text>
          </g>
        ))}
        {task === "line" ? <Through points={value} x={xOf} y={yOf} /> : null}
        {value.map(([x, y]) => (
          <circle key={`${x} ${y}`} cx={xOf(x)} cy={yOf(y)} r={7} fill="var(--water)" />
        ))}
        <circle cx={xOf(cursor[0])} cy={yOf(cursor[1])} r={11} fill="none" stroke="var(--ink)" strokeDasharray="3 3" />
      </svg>
      <p aria-live="polite" className="sr-only">
        {`${crossingWords(part.shown, [cursor])} ${isSet ? "set" : "not set"}`}
      </p>
      <ul className="mt-2 flex flex-wrap gap-2">
        {value.map((point) => (
          <li key={crossingWords(part.shown, [point])}>
            <Button
              disabled={locked}
              aria-label={`Take ${crossingWords(part.shown, [point])} away`}
              onClick={() => toggle(point)}
              className="min-h-11"
            >
              {minusSigns(crossingWords(part.shown, [point]))} ×
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The axes themselves are drawn stronger than the other lines. */
const strokeOf = (number: string) =>
  number === "0" ? { stroke: "var(--ink)", strokeWidth: 2 } : { stroke: "var(--hair)", strokeWidth: 1 };

/** The line through two points, from edge to edge. */
function Through({
  points,
  x,
  y,
}: {
  readonly points: readonly Crossing[];
  readonly x: (line: number) => number;
  readonly y: (line: number) => number;
}) {
  const [first, second] = points;
  if (!first || !second) return null;
  const [x0, y0, x1, y1] = [x(first[0]), y(first[1]), x(second[0]), y(second[1])];
  const far = (SIZE * 2) / Math.max(1, Math.hypot(x1 - x0, y1 - y0));
  return (
    <>
      <clipPath id="plane">
        <rect x={EDGE} y={EDGE} width={SIZE - 2 * EDGE} height={SIZE - 2 * EDGE} />
      </clipPath>
      <line
        clipPath="url(#plane)"
        x1={x0 - far * (x1 - x0)}
        y1={y0 - far * (y1 - y0)}
        x2={x0 + far * (x1 - x0)}
        y2={y0 + far * (y1 - y0)}
        stroke="var(--water)"
        strokeWidth={3}
      />
    </>
  );
}
