import type { ComparedFigures } from "@/core/model/reteach";

const WIDTH = 360;
const EDGE = 12;
const REACH = 0.8;
const HEIGHT = 44;
const Y = 16;

/** The difference with its interval on a scale around nothing. */
export function ComparedBar({ figures: { difference, low, high } }: { readonly figures: ComparedFigures }) {
  const xOf = (value: number) => WIDTH / 2 + (Math.max(-REACH, Math.min(REACH, value)) / REACH) * (WIDTH / 2 - EDGE);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="mt-1 h-11 w-full max-w-[360px]"
      role="img"
      aria-label={`Difference ${Math.round(difference * 100)} points, interval ${Math.round(low * 100)} to ${Math.round(high * 100)}`}
    >
      <path d={`M${EDGE} ${Y}H${WIDTH - EDGE}`} stroke="var(--hair)" strokeWidth="1.5" />
      <path d={`M${WIDTH / 2} 4V28`} stroke="var(--ink)" strokeWidth="1.5" />
      <path d={`M${xOf(low)} ${Y}H${xOf(high)}`} stroke="var(--water)" strokeWidth="6" />
      <circle cx={xOf(difference)} cy={Y} r="5" fill="var(--ink)" />
      <g fontSize="12" fill="var(--mute)">
        <text x={EDGE} y={HEIGHT - 2}>
          others moved further
        </text>
        <text x={WIDTH / 2} y={HEIGHT - 2} textAnchor="middle">
          alike
        </text>
        <text x={WIDTH - EDGE} y={HEIGHT - 2} textAnchor="end">
          they moved further
        </text>
      </g>
    </svg>
  );
}
