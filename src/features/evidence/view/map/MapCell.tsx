import type { JointGauge } from "@/core/mastery/jointGauge";
import { Gauge, gaugeWords } from "@/ui/primitives/Gauge";
import type { GaugeView } from "../../types";

/** On a cell that is marked: seen without colour, on any level. */
const MarkDot = () => (
  <i
    aria-hidden
    className="bg-paper border-ink absolute top-1/2 z-10 left-1/2 size-2 -translate-x-1/2 -translate-y-1/2 rounded-full border-[1.5px]"
  />
);

/** A snag is open: more of the same is unlikely to help. */
export const SnagMark = () => <i aria-hidden className="bg-clay absolute top-0 left-0 z-10 size-1.5" />;

/** Where the water stood before. */
export const TideMark = ({ chance }: { readonly chance: number }) => (
  <i aria-hidden className="bg-ink absolute inset-x-0 z-10 h-[2px]" style={{ bottom: `${chance * 100}%` }} />
);

/** Less than this is no change that anybody could see. */
const LEAST_CHANGE = 0.05;

/** What a cell says beyond its gauge. */
export interface CellMore {
  readonly snag: boolean;
  /** The chance on the day compared with; null where nothing was known then, or nothing is compared. */
  readonly before: number | null;
  /** Open work on it. */
  readonly open: readonly string[];
}

/** A cell in words, for tooltips and screen readers. */
export function cellTitle(name: string, skill: string, gauge: GaugeView, more: CellMore, since: string | null): string {
  return [
    `${name}, ${skill}: ${gaugeWords(gauge)}`,
    ...(more.before === null || since === null ? [] : [`${Math.round(more.before * 100)} % on ${since}`]),
    ...(more.snag ? ["snag open"] : []),
    ...(more.open.length > 0 ? [`open work: ${[...new Set(more.open)].join(", ")}`] : []),
  ].join("; ");
}

/** How somebody stands in several skills, in words. */
export function groupTitle(
  name: string,
  group: string,
  { tooLittle, chance, known, skills, secure }: JointGauge,
): string {
  return tooLittle
    ? `${name}, ${group}: too little evidence in ${skills === 1 ? "its skill" : `each of ${skills} skills`}`
    : `${name}, ${group}: Secure in ${secure} of ${skills}, mean chance of mastery ${Math.round(chance * 100)} % over ${known} known`;
}

/** One student's gauge in one skill. */
export function MapCell({
  gauge,
  more,
  isMarked,
}: {
  readonly gauge: GaugeView;
  readonly more: CellMore;
  readonly isMarked: boolean;
}) {
  return (
    <>
      {isMarked ? <MarkDot /> : null}
      {more.snag ? <SnagMark /> : null}
      {more.before === null || Math.abs(more.before - gauge.chance) < LEAST_CHANGE ? null : (
        <TideMark chance={more.before} />
      )}
      <Gauge {...gauge} className="h-[calc(var(--row)-4px)] w-full" />
    </>
  );
}
