import type { StrandColumn, WorkRowView } from "../types";

/** With many strands there is room for the pictures only. */
const MOST_NAMED = 5;
const widthOf = (strands: number): number => (strands > MOST_NAMED ? 66 : 150);

/** How hard the skills of a strand are, from the easiest to the hardest, as a place from left to right. */
function scaleOf({ grades }: StrandColumn, width: number) {
  const from = Math.min(...grades.map((one) => one.from)) - 0.5;
  const to = Math.max(...grades.map((one) => one.to)) + 0.5;
  return (logits: number) => ((Math.min(to, Math.max(from, logits)) - from) / (to - from)) * width;
}

/** A strand over its column, with the grades of its skills where they begin. */
export function StrandHead({ strand, of }: { readonly strand: StrandColumn; readonly of: number }) {
  const width = widthOf(of);
  const at = scaleOf(strand, width);
  return (
    <th className="pr-4 align-bottom font-normal">
      {strand.name}
      <svg width={width} height={16} className="block" role="img" aria-label={`Grades ${gradesWords(strand)}`}>
        {strand.grades.map(({ grade, from, to }) => (
          <text key={grade} x={at((from + to) / 2)} y={12} textAnchor="middle" fontSize={11} fill="currentColor">
            {grade}
          </text>
        ))}
      </svg>
    </th>
  );
}

const gradesWords = ({ grades }: StrandColumn): string => `${grades[0]?.grade} to ${grades.at(-1)?.grade}`;

/** Where a student stands in a strand: the skill they are at, and how far they may be from it. */
export function PlacedCell({
  strand,
  of,
  row,
}: {
  readonly strand: StrandColumn;
  /** Strands on the page. */
  readonly of: number;
  readonly row: WorkRowView;
}) {
  const placed = row.parts[0]?.outcome.placed.find(({ strandId }) => strandId === strand.id);
  if (!placed) return <td className="text-mute">{row.itemsDone > 0 && row.progress === 1 ? "not asked" : ""}</td>;
  const width = widthOf(of);
  const at = scaleOf(strand, width);
  const left = at(placed.theta - placed.se);
  const right = at(placed.theta + placed.se);
  const said = `grade ${placed.nearestGrade}: ${placed.nearest}. Between “${placed.from}” and “${placed.to}”, by ${placed.items} items${
    placed.setAside > 0 ? `, ${placed.setAside} not learned yet` : ""
  }${ENDED[placed.ended]}`;
  return (
    <td className="pr-4 align-top" title={said}>
      <svg width={width} height={12} className="mt-1.5 block" role="img" aria-label={said}>
        <line x1={0} x2={width} y1={6} y2={6} stroke="var(--hair)" />
        <rect x={left} y={3} width={Math.max(3, right - left)} height={6} fill="var(--water)" opacity={0.35} />
        <rect x={at(placed.theta) - 1.5} y={0} width={3} height={12} fill="var(--ink)" />
      </svg>
      {of > MOST_NAMED ? null : (
        <span className="line-clamp-2 block max-w-40 text-[13px] leading-tight">{placed.nearest}</span>
      )}
      {placed.setAside > 0 && of <= MOST_NAMED ? (
        <span className="text-mute block text-[13px]">{placed.setAside} not learned yet</span>
      ) : null}
    </td>
  );
}

/** Why a strand ended, where that makes its place less sure. */
const ENDED = {
  precise: "",
  length: "; ended by its length, less sure than usual",
  pool: "; nothing more to ask",
  stopped: "; stopped before it was clear",
} as const;
