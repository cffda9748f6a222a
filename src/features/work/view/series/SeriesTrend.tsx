"use client";
import { LabelList, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from "recharts";
import { dayWords } from "@/words/staff/dayWords";
import type { SeriesPiece } from "../../seriesTypes";

/** The share right of each piece as a line over its days, each with how many are through. The table below has the same by student. */
export function SeriesTrend({ pieces }: { readonly pieces: readonly SeriesPiece[] }) {
  const data = pieces.map(({ id, day, sharePercent, through, given }) => ({
    id,
    share: sharePercent,
    name: `${dayWords(day).replace(/ \d{4}$/, "")}, ${through} of ${given} through`,
  }));
  return (
    <figure className="mb-5 max-w-5xl">
      <figcaption className="text-mute mb-1 text-[14px]">
        Right at the first try of all that was answered, per cent by piece
      </figcaption>
      <div
        className="h-40"
        role="img"
        aria-label={data
          .map(({ name, share }) => `${name}: ${share === null ? "no answer" : `${share} % right`}`)
          .join("; ")}
      >
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 18, right: 40, bottom: 0, left: 10 }}>
            <XAxis
              dataKey="name"
              padding={{ left: 60, right: 40 }}
              tick={{ fontSize: 12, fill: "var(--mute)" }}
              tickLine={false}
              axisLine={{ stroke: "var(--hair)" }}
            />
            <YAxis
              domain={[0, 100]}
              ticks={[0, 50, 100]}
              unit=" %"
              width={52}
              tick={{ fontSize: 12, fill: "var(--mute)" }}
              tickLine={false}
              axisLine={false}
            />
            <Line
              dataKey="share"
              stroke="var(--water)"
              strokeWidth={2.5}
              dot={{ r: 4, fill: "var(--ink)", stroke: "none" }}
              isAnimationActive={false}
              connectNulls
            >
              <LabelList dataKey="share" position="top" fontSize={13} fill="var(--ink)" />
            </Line>
          </LineChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}
