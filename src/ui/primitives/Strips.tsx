interface Strip {
  readonly label: string;
  readonly count: number;
  readonly per?: number | null;
}

const SHADES = ["var(--level-2)", "var(--level-0)", "var(--level-1)", "var(--level-3)"];

/** Amounts as rows of squares, in bundles where the picture has them. */
export function Strips({ rows }: { readonly rows: readonly Strip[] }) {
  // One size for all rows: squares of different size would belie the comparison.
  const longest = Math.max(...rows.map(({ count }) => count));
  const side = longest > 24 ? 13 : longest > 14 ? 17 : 22;
  return (
    <div
      className="my-3 space-y-3"
      role="img"
      aria-label={rows.map(({ label, count }) => `${label}: ${count}`).join(", ")}
    >
      {rows.map(({ label, count, per }, place) => {
        return (
          <div key={label} className="grid grid-cols-[minmax(7rem,auto)_1fr] items-center gap-4">
            <span className="text-mute text-[0.85em]">{label}</span>
            <span className="flex flex-wrap gap-[3px]">
              {Array.from({ length: count }, (_, n) => n).map((n) => (
                <i
                  key={n}
                  className="block"
                  style={{
                    width: side,
                    height: side,
                    background: SHADES[place % SHADES.length],
                    marginRight: per && (n + 1) % per === 0 ? side * 0.55 : 0,
                  }}
                />
              ))}
            </span>
          </div>
        );
      })}
    </div>
  );
}
