import type { LiveItem } from "../../liveTypes";

/** The latest items fit; of more the beginning is left out. */
const MOST_SHOWN = 16;
const WORDS: Readonly<Record<LiveItem, string>> = {
  right: "right",
  wrong: "wrong",
  answered: "answered",
  aside: "not learned yet",
  open: "open now",
};

/** Items of a run as small strokes on one line: up for right, down for wrong, on the line for what has no verdict, a ring for the open one. */
export function ItemSigns({ items }: { readonly items: readonly LiveItem[] }) {
  const shown = items.slice(-MOST_SHOWN);
  const count = (sign: LiveItem) => items.filter((item) => item === sign).length;
  const said = (Object.keys(WORDS) as LiveItem[])
    .filter((sign) => count(sign) > 0)
    .map((sign) => `${count(sign)} ${WORDS[sign]}`)
    .join(", ");
  if (shown.length === 0) return null;
  return (
    <svg width={shown.length * 9 + 4} height={22} role="img" aria-label={said} className="shrink-0">
      <line x1={0} x2={shown.length * 9 + 4} y1={11} y2={11} stroke="var(--hair)" />
      {shown.map((sign, place) => (
        <Sign key={place} sign={sign} x={place * 9 + 6} />
      ))}
    </svg>
  );
}

function Sign({ sign, x }: { readonly sign: LiveItem; readonly x: number }) {
  if (sign === "right") return <rect x={x - 2.5} y={3} width={5} height={8} fill="var(--water)" />;
  if (sign === "wrong") return <rect x={x - 2.5} y={11} width={5} height={8} fill="var(--clay)" />;
  if (sign === "open") return <circle cx={x} cy={11} r={3} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.5} />;
  return <circle cx={x} cy={11} r={2.5} fill={sign === "aside" ? "var(--hair)" : "var(--ink)"} />;
}
