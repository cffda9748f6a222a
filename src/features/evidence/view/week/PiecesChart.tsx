"use client";
import { Bar, BarChart, Legend, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { usePullList } from "@/client/pull-list/pullList";
import type { WeekView } from "../../weekTypes";

const MOST = 6;

/** How many students finished how many pieces in each of four weeks: side by side, the week in view dark; a bar leads to its students. */
export function PiecesChart({ view }: { readonly view: WeekView }) {
  const pull = usePullList();
  const most = Math.min(MOST, Math.max(1, ...view.students.flatMap(({ weeks }) => weeks.map(({ pieces }) => pieces))));
  const data = Array.from({ length: most + 1 }, (_, pieces) => ({
    pieces,
    label: pieces === most && most === MOST ? `${MOST} or more` : String(pieces),
    ...Object.fromEntries(view.weeks.map((_, place) => [`w${place}`, finished(view, place, pieces, most).length])),
  }));
  const expected = view.expectation.pieces;
  return (
    <div
      className="h-40"
      role="img"
      aria-label={data
        .map((row) => `${row.label} pieces: ${finished(view, view.chosen, row.pieces, most).length} students`)
        .join(", ")}
    >
      <ResponsiveContainer width="100%" height="100%">
        <BarChart data={data} margin={{ top: 8, right: 4, bottom: 0, left: -30 }} barGap={1} barCategoryGap="18%">
          <XAxis
            dataKey="label"
            tick={{ fontSize: 12, fill: "var(--mute)" }}
            tickLine={false}
            axisLine={{ stroke: "var(--hair)" }}
          />
          <YAxis tick={{ fontSize: 12, fill: "var(--mute)" }} tickLine={false} axisLine={false} allowDecimals={false} />
          <Tooltip
            cursor={{ fill: "var(--bank)" }}
            contentStyle={{ background: "var(--paper)", border: "1.5px solid var(--ink)", fontSize: 14 }}
            labelFormatter={(label) => `${label} finished pieces`}
            formatter={(value, name) => [`${value} students`, name]}
          />
          <Legend wrapperStyle={{ fontSize: 12 }} iconType="square" iconSize={9} itemSorter={null} />
          {expected > 0 && expected <= most ? (
            <ReferenceLine x={String(expected)} stroke="var(--ink)" strokeDasharray="3 3" />
          ) : null}
          {view.weeks.map((week, place) => (
            <Bar
              key={week.from}
              dataKey={`w${place}`}
              name={`week of ${week.words}`}
              fill={place === view.chosen ? "var(--level-3)" : "var(--level-1)"}
              fillOpacity={place === view.chosen ? 1 : 0.35 + 0.15 * place}
              isAnimationActive={false}
              className="cursor-pointer"
              onClick={(_, at) =>
                pull.add(finished(view, place, at, most).map(({ id, name }) => ({ id, name, skillId: null })))
              }
            />
          ))}
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}

const finished = (view: WeekView, place: number, pieces: number, most: number) =>
  view.students.filter(({ weeks }) => Math.min(most, weeks[place]?.pieces ?? 0) === pieces);
