import { LEVELS } from "@/core/model/levels";
import type { MasteryMark } from "@/core/model/masteryMark";
import type { GaugeView, MapStudent, MasteryMapView } from "./types";

/** A map on its way to the browser: the gauges of a student as one list of numbers, a tenth of what they take by name. */
export type PackedMap = Omit<MasteryMapView, "students"> & {
  readonly students: readonly (Omit<MapStudent, "gauges"> & { readonly packed: readonly number[] })[];
};

const MARKS: readonly MasteryMark[] = ["never", "now", "faded", "lost"];
/** Numbers a gauge. */
const WIDTH = 7;
/** Fine enough for any screen: half a thousandth of a chance is seen nowhere. */
const FINE = 10_000;
const NONE = -1;

export const packedMap = ({ students, ...view }: MasteryMapView): PackedMap => ({
  ...view,
  students: students.map(({ gauges, ...student }) => ({ ...student, packed: gauges.flatMap(numbersOf) })),
});

export const unpackedMap = ({ students, ...view }: PackedMap): MasteryMapView => ({
  ...view,
  students: students.map(({ packed, ...student }) => ({
    ...student,
    gauges: Array.from({ length: packed.length / WIDTH }, (_, place) =>
      gaugeOf(packed.slice(place * WIDTH, (place + 1) * WIDTH)),
    ),
  })),
});

const numbersOf = ({ chance, level, tooLittle, old, mark, answered, right, why }: GaugeView): number[] => [
  Math.round(chance * FINE),
  LEVELS.indexOf(level) * 16 + MARKS.indexOf(mark) * 4 + (tooLittle ? 2 : 0) + (old ? 1 : 0),
  answered,
  right,
  why.ifMastered ?? NONE,
  why.ifNot ?? NONE,
  why.daysAgo ?? NONE,
];

function gaugeOf(numbers: readonly number[]): GaugeView {
  const [chance = 0, marks = 0, answered = 0, right = 0, ifMastered = NONE, ifNot = NONE, daysAgo = NONE] = numbers;
  const orNull = (value: number) => (value === NONE ? null : value);
  const mark = MARKS[(marks >> 2) & 3] ?? "never";
  return {
    chance: chance / FINE,
    level: LEVELS[marks >> 4] ?? "beginning",
    tooLittle: (marks & 2) !== 0,
    old: (marks & 1) !== 0,
    mark,
    answered,
    right,
    why: { right, answered, ifMastered: orNull(ifMastered), ifNot: orNull(ifNot), daysAgo: orNull(daysAgo), mark },
  };
}
