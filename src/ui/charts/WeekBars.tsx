"use client";
import { useState } from "react";
import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { Button } from "@/ui/primitives/Button";

/** Minutes a week as bars, with the same numbers as a table. */
export function WeekBars({
  weeks,
}: {
  readonly weeks: readonly { readonly week: string; readonly minutes: number }[];
}) {
  const [table, setTable] = useState(false);
  return (
    <div>
      {table ? (
        <table className="text-[14px]">
          <tbody>
            {weeks.map(({ week, minutes }) => (
              <tr key={week}>
                <th scope="row" className="pr-6 text-left font-normal">
                  from {week}
                </th>
                <td className="text-right">{minutes} min</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <div
          className="h-28"
          role="img"
          aria-label={weeks.map(({ week, minutes }) => `from ${week}: ${minutes} minutes`).join(", ")}
        >
          <ResponsiveContainer width="100%" height="100%">
            <BarChart data={[...weeks]} margin={{ top: 6, right: 0, bottom: 0, left: -22 }}>
              <XAxis
                dataKey="week"
                tick={{ fontSize: 12, fill: "var(--mute)" }}
                tickLine={false}
                axisLine={{ stroke: "var(--hair)" }}
              />
              <YAxis
                tick={{ fontSize: 12, fill: "var(--mute)" }}
                tickLine={false}
                axisLine={false}
                allowDecimals={false}
                unit=""
              />
              <Tooltip
                cursor={{ fill: "var(--bank)" }}
                contentStyle={{ background: "var(--paper)", border: "1.5px solid var(--ink)", fontSize: 14 }}
                formatter={(value) => [`${value} min`, "practised"]}
                labelFormatter={(week) => `week from ${week}`}
              />
              <Bar dataKey="minutes" fill="var(--water)" isAnimationActive={false} />
            </BarChart>
          </ResponsiveContainer>
        </div>
      )}
      <Button look="quiet" className="-ml-3 text-[14px]!" onClick={() => setTable(!table)}>
        {table ? "As a chart" : "As a table, in minutes"}
      </Button>
    </div>
  );
}
