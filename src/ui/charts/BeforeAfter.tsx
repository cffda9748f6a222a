"use client";
import { Area, ComposedChart, Line, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";

/** One week of two courses, each with its band; the second is null where nothing is left. */
export interface BeforeAfterPoint {
  readonly at: string;
  readonly before: number;
  readonly beforeBand: readonly [number, number];
  readonly after: number | null;
  readonly afterBand: readonly [number, number] | null;
}

const TICK = { fontSize: 12, fill: "var(--mute)" };

/** Every tenth, or every fifth where that would be one or two. */
function ticksFrom(low: number): number[] {
  const step = 100 - low > 20 ? 10 : 5;
  return Array.from({ length: Math.floor((100 - low) / step) + 1 }, (_, place) => low + step * place);
}

/** How something goes on as it is, and how with a change: two lines over time, each with its band. */
export function BeforeAfter({
  points,
  unit,
  words,
}: {
  readonly points: readonly BeforeAfterPoint[];
  readonly unit: string;
  readonly words: { readonly before: string; readonly after: string };
}) {
  const lows = points.flatMap(({ beforeBand, afterBand }) => [beforeBand[0], afterBand?.[0] ?? beforeBand[0]]);
  const low = Math.max(0, Math.floor(Math.min(...lows) / 10) * 10);
  return (
    <div
      className="h-40"
      role="img"
      aria-label={points
        .map(({ at, before, after }) => `${at}: ${before} ${unit}${after === null ? "" : `, then ${after} ${unit}`}`)
        .join("; ")}
    >
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={[...points]} margin={{ top: 6, right: 8, bottom: 0, left: -8 }}>
          <XAxis dataKey="at" tick={TICK} tickLine={false} axisLine={{ stroke: "var(--hair)" }} />
          <YAxis
            domain={[low, 100]}
            ticks={ticksFrom(low)}
            unit={` ${unit}`}
            width={58}
            tick={TICK}
            tickLine={false}
            axisLine={false}
          />
          <Tooltip
            contentStyle={{ background: "var(--paper)", border: "1.5px solid var(--ink)", fontSize: 14 }}
            formatter={(value, name) =>
              Array.isArray(value)
                ? [
                    `${value[0]} to ${value[1]} ${unit}`,
                    `${name === "beforeBand" ? words.before : words.after}, likely`,
                  ]
                : [`${value} ${unit}`, name === "before" ? words.before : words.after]
            }
          />
          <Area dataKey="beforeBand" stroke="none" fill="var(--silt)" fillOpacity={0.55} isAnimationActive={false} />
          <Area dataKey="afterBand" stroke="none" fill="var(--level-1)" fillOpacity={0.5} isAnimationActive={false} />
          <Line
            dataKey="before"
            stroke="var(--mute)"
            strokeWidth={2}
            strokeDasharray="6 4"
            dot={false}
            isAnimationActive={false}
          />
          <Line dataKey="after" stroke="var(--deep)" strokeWidth={2.5} dot={{ r: 3 }} isAnimationActive={false} />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
