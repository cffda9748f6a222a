"use client";
import { Area, ComposedChart, Line, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";

/** A value over time with the band that its error leaves; null where nothing was known. */
export interface BandPoint {
  readonly at: string;
  readonly value: number | null;
  readonly low: number | null;
  readonly high: number | null;
}

/** One line with its band over time. */
export function BandChart({ points, unit }: { readonly points: readonly BandPoint[]; readonly unit: string }) {
  const data = points.map(({ at, value, low, high }) => ({
    at,
    value,
    band: low === null || high === null ? null : [low, high],
  }));
  const known = points.filter((point) => point.value !== null);
  const [lowest, highest] = [
    Math.min(...known.map(({ low }) => low ?? 0)),
    Math.max(...known.map(({ high }) => high ?? 0)),
  ];
  const domain = [Math.floor(lowest / 10) * 10, Math.ceil(highest / 10) * 10];
  return (
    <div
      className="h-44"
      role="img"
      aria-label={known.map(({ at, value, low, high }) => `${at}: ${value} ${unit}, ${low} to ${high}`).join("; ")}
    >
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={data} margin={{ top: 6, right: 8, bottom: 0, left: -14 }}>
          <XAxis
            dataKey="at"
            tick={{ fontSize: 12, fill: "var(--mute)" }}
            tickLine={false}
            axisLine={{ stroke: "var(--hair)" }}
          />
          <YAxis
            domain={domain}
            tick={{ fontSize: 12, fill: "var(--mute)" }}
            tickLine={false}
            axisLine={false}
            allowDecimals={false}
          />
          <Tooltip
            contentStyle={{ background: "var(--paper)", border: "1.5px solid var(--ink)", fontSize: 14 }}
            formatter={(value, name) =>
              name === "band" && Array.isArray(value)
                ? [`${value[0]} to ${value[1]}`, "likely"]
                : [`${value} ${unit}`, ""]
            }
          />
          <Area
            dataKey="band"
            stroke="none"
            fill="var(--level-0)"
            fillOpacity={0.6}
            isAnimationActive={false}
            connectNulls
          />
          <Line
            dataKey="value"
            stroke="var(--deep)"
            strokeWidth={2}
            dot={{ r: 3, fill: "var(--deep)" }}
            isAnimationActive={false}
            connectNulls
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
