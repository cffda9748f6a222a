"use client";
import { Bar, BarChart, Cell, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";

const TENTHS = Array.from({ length: 10 }, (_, place) => place);
const words = (place: number) => (place === 9 ? "90 to 100 %" : `${place * 10} to ${place * 10 + 9} %`);

/** How many marks lie in each tenth, with a line; a click on a bar goes to those in it. */
export function TenthsChart({
  counts,
  line,
  choose,
}: {
  readonly counts: readonly number[];
  readonly line: number;
  readonly choose: (tenth: number) => void;
}) {
  const data = TENTHS.map((place) => ({ place, middle: place * 10 + 5, count: counts[place] ?? 0 }));
  return (
    <div
      className="h-40"
      role="img"
      aria-label={data
        .filter(({ count }) => count > 0)
        .map(({ place, count }) => `${words(place)}: ${count}`)
        .join(", ")}
    >
      <ResponsiveContainer width="100%" height="100%">
        <BarChart data={data} margin={{ top: 14, right: 8, bottom: 0, left: -28 }} barCategoryGap={2}>
          <XAxis
            type="number"
            dataKey="middle"
            domain={[0, 100]}
            ticks={[0, 20, 40, 60, 80, 100]}
            unit=" %"
            tick={{ fontSize: 12, fill: "var(--mute)" }}
            tickLine={false}
            axisLine={{ stroke: "var(--hair)" }}
          />
          <YAxis tick={{ fontSize: 12, fill: "var(--mute)" }} tickLine={false} axisLine={false} allowDecimals={false} />
          <Tooltip
            cursor={{ fill: "var(--bank)" }}
            contentStyle={{ background: "var(--paper)", border: "1.5px solid var(--ink)", fontSize: 14 }}
            formatter={(value) => [`${value} students`, ""]}
            labelFormatter={(middle) => words(Math.floor(Number(middle) / 10))}
            separator=""
          />
          <Bar
            dataKey="count"
            isAnimationActive={false}
            onClick={(_, place) => choose(place)}
            className="cursor-pointer"
          >
            {data.map(({ place }) => (
              <Cell key={place} fill={place * 10 + 9 < line ? "var(--level-0)" : "var(--level-2)"} />
            ))}
          </Bar>
          <ReferenceLine
            x={line}
            stroke="var(--ink)"
            strokeWidth={2}
            label={{ value: `${line} %`, position: "top", fontSize: 12, fill: "var(--ink)" }}
          />
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
