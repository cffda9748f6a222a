/** How many in each week, as columns on one scale, the numbers below them. */
export function WeekMarks({
  counts,
  weeks,
  most,
  what,
}: {
  readonly counts: readonly number[];
  /** First days of the weeks, in words. */
  readonly weeks: readonly string[];
  /** What the full height stands for. */
  readonly most: number;
  readonly what: string;
}) {
  return (
    <span
      role="img"
      aria-label={counts.map((count, place) => `week of ${weeks[place]}: ${count} ${what}`).join(", ")}
      className="flex h-11 items-end gap-[3px]"
    >
      {counts.map((count, place) => (
        <span
          key={weeks[place]}
          className="flex min-w-3 flex-1 flex-col items-center justify-end text-[12px] leading-tight"
          title={`week of ${weeks[place]}: ${count} ${what}`}
        >
          <span className={count === 0 ? "text-mute" : ""}>{count}</span>
          <i
            className="bg-level-2 block w-full"
            style={{ height: `${Math.round((28 * count) / Math.max(1, most))}px` }}
          />
          <i className="bg-ink/40 block h-px w-full" />
        </span>
      ))}
    </span>
  );
}
