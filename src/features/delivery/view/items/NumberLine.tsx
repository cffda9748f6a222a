import { type KeyboardEvent, type MouseEvent, useRef } from "react";
import type { LineMark } from "@/core/items/numberLine/body";
import { markWords } from "@/core/items/numberLine/lineWords";
import { minusSigns } from "@/ui/primitives/minusSigns";
import type { ControlProps, PartControl } from "./control";

type Interval = Exclude<LineMark, { readonly point: number }>;
/** Null as long as nothing was marked. */
type Mark = LineMark | null;

export const numberLine: PartControl<"number-line", Mark> = {
  empty: null,
  Control: (props) => <Line {...props} />,
  problem: (value) => {
    if (value === null) return "Mark the line first.";
    return !("point" in value) && value.low === null && value.high === null ? "Set at least one end first." : null;
  },
  response: (mark) => ({ mark }),
  words: (mark, { shown }) => (mark === null ? "" : markWords((place) => shown.numbers[place] ?? "", mark)),
};

const WIDTH = 640;
const EDGE = 36;
const AXIS = 40;
const HEIGHT = 84;

function Line({ part, value, set, locked, label }: ControlProps<"number-line", Mark>) {
  const svg = useRef<SVGSVGElement>(null);
  const { numbers, labelEvery, task } = part.shown;
  const last = numbers.length - 1;
  const xOf = (place: number) => EDGE + ((WIDTH - 2 * EDGE) * place) / last;
  const begun: Interval =
    value !== null && !("point" in value)
      ? value
      : { low: Math.floor(last / 3), high: Math.ceil((2 * last) / 3), withLow: true, withHigh: true };
  const put = (place: number) => {
    if (task === "point") return set({ point: place });
    const { low, high } = begun;
    const isLow = high === null || (low !== null && Math.abs(place - low) <= Math.abs(place - high));
    return set(isLow ? { ...begun, low: place } : { ...begun, high: place });
  };
  const press = (event: MouseEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (!box || locked) return;
    const along = ((event.clientX - box.left) / box.width) * WIDTH;
    put(Math.min(last, Math.max(0, Math.round(((along - EDGE) / (WIDTH - 2 * EDGE)) * last))));
  };
  return (
    <fieldset className="mt-5 max-w-[640px]">
      <legend className="sr-only">{label}</legend>
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: the handles below take the keys. */}
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className={`w-full touch-manipulation select-none ${locked ? "" : "cursor-pointer"}`}
        onClick={press}
      >
        <title>{label}</title>
        <rect width={WIDTH} height={HEIGHT} fill="transparent" />
        <line x1={8} x2={WIDTH - 8} y1={AXIS} y2={AXIS} stroke="var(--ink)" strokeWidth={2} />
        {numbers.map((number, place) => {
          const isWritten = place % labelEvery === 0;
          return (
            <g key={number}>
              <line
                x1={xOf(place)}
                x2={xOf(place)}
                y1={AXIS - (isWritten ? 9 : 5)}
                y2={AXIS + (isWritten ? 9 : 5)}
                stroke="var(--ink)"
                strokeWidth={1.5}
              />
              {isWritten ? (
                <text x={xOf(place)} y={AXIS + 32} textAnchor="middle" fontSize={18} fill="var(--ink)">
                  {minusSigns(number)}
                </text>
              ) : null}
            </g>
          );
        })}
        {task === "point" ? (
          <Handle
            name="Point"
            at={value !== null && "point" in value ? value.point : null}
            closed
            x={xOf}
            numbers={numbers}
            locked={locked}
            move={(point) => set({ point })}
          />
        ) : (
          <IntervalMarks value={value} begun={begun} x={xOf} numbers={numbers} locked={locked} set={set} />
        )}
      </svg>
      {task === "interval" ? <Ends begun={begun} set={set} locked={locked} name={part.id} last={last} /> : null}
    </fieldset>
  );
}

interface MarksProps {
  readonly value: Mark;
  readonly begun: Interval;
  readonly x: (place: number) => number;
  readonly numbers: readonly string[];
  readonly locked: boolean;
  readonly set: (mark: Mark) => void;
}

function IntervalMarks({ value, begun, x, numbers, locked, set }: MarksProps) {
  const { low, high, withLow, withHigh } = begun;
  const [from, to] = [low === null ? 8 : x(low), high === null ? WIDTH - 8 : x(high)];
  const isShown = value !== null;
  return (
    <>
      {isShown ? (
        <line x1={from} x2={to} y1={AXIS} y2={AXIS} stroke="var(--water)" strokeWidth={9} opacity={0.75} />
      ) : null}
      {low === null ? null : (
        <Handle
          name="Left end"
          at={low}
          ghost={!isShown}
          closed={withLow}
          x={x}
          numbers={numbers}
          locked={locked}
          move={(place) => set({ ...begun, low: Math.min(place, high ?? place) })}
        />
      )}
      {high === null ? null : (
        <Handle
          name="Right end"
          at={high}
          ghost={!isShown}
          closed={withHigh}
          x={x}
          numbers={numbers}
          locked={locked}
          move={(place) => set({ ...begun, high: Math.max(place, low ?? place) })}
        />
      )}
    </>
  );
}

function Handle({
  name,
  at,
  closed,
  ghost = false,
  x,
  numbers,
  locked,
  move,
}: {
  readonly name: string;
  readonly at: number | null;
  readonly closed: boolean;
  readonly ghost?: boolean;
  readonly x: (place: number) => number;
  readonly numbers: readonly string[];
  readonly locked: boolean;
  readonly move: (place: number) => void;
}) {
  const last = numbers.length - 1;
  const start = at ?? Math.floor(last / 2);
  const keys = (event: KeyboardEvent) => {
    const to = {
      ArrowRight: at === null ? start : start + 1,
      ArrowUp: at === null ? start : start + 1,
      ArrowLeft: at === null ? start : start - 1,
      ArrowDown: at === null ? start : start - 1,
      Home: 0,
      End: last,
    }[event.key];
    if (to === undefined || locked) return;
    event.preventDefault();
    move(Math.min(last, Math.max(0, to)));
  };
  return (
    <circle
      role="slider"
      tabIndex={locked ? -1 : 0}
      data-answer={name === "Right end" ? undefined : ""}
      aria-label={name}
      aria-valuemin={0}
      aria-valuemax={last}
      aria-valuenow={start}
      aria-valuetext={at === null || ghost ? "not set" : (numbers[at] ?? "")}
      aria-disabled={locked}
      onKeyDown={keys}
      cx={x(start)}
      cy={AXIS}
      r={11}
      fill={at === null || ghost ? "transparent" : closed ? "var(--water)" : "var(--paper)"}
      stroke={at === null || ghost ? "var(--mute)" : "var(--water)"}
      strokeDasharray={at === null || ghost ? "3 3" : undefined}
      strokeWidth={4}
      className="focus-visible:outline-ink outline-offset-4 focus-visible:outline-3"
    />
  );
}

const END_WORDS = { with: "included ●", without: "left out ○", none: "none, it goes on" } as const;
type EndKind = keyof typeof END_WORDS;

function Ends({
  begun,
  set,
  locked,
  name,
  last,
}: {
  readonly begun: Interval;
  readonly set: (mark: Mark) => void;
  readonly locked: boolean;
  readonly name: string;
  readonly last: number;
}) {
  const kindOf = (at: number | null, isIn: boolean): EndKind => (at === null ? "none" : isIn ? "with" : "without");
  const left = (kind: EndKind) =>
    set({ ...begun, low: kind === "none" ? null : (begun.low ?? 0), withLow: kind === "with" });
  const right = (kind: EndKind) =>
    set({ ...begun, high: kind === "none" ? null : (begun.high ?? last), withHigh: kind === "with" });
  const sides = [
    { side: "Left end", kind: kindOf(begun.low, begun.withLow), choose: left },
    { side: "Right end", kind: kindOf(begun.high, begun.withHigh), choose: right },
  ];
  return (
    <div className="mt-2 grid gap-2">
      {sides.map(({ side, kind, choose }) => (
        <fieldset key={side} disabled={locked} className="flex flex-wrap items-center gap-x-5 text-[18px]">
          <legend className="float-left w-28 py-2 font-semibold">{side}</legend>
          {(Object.keys(END_WORDS) as EndKind[]).map((one) => (
            <label key={one} className="flex min-h-11 items-center gap-2">
              <input
                type="radio"
                className="accent-ink size-5"
                name={`${name} ${side}`}
                value={one}
                checked={kind === one}
                onChange={() => choose(one)}
              />
              {END_WORDS[one]}
            </label>
          ))}
        </fieldset>
      ))}
    </div>
  );
}
