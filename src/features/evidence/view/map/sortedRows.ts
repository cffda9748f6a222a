import type { LEVELS, Level } from "@/core/model/levels";
import type { MapStudent } from "../../types";

export type MapSort = "need" | "name" | "change";
export type MapWho = "all" | "too-little" | (typeof LEVELS)[number];

/** What rows are chosen and ordered by: how a student stands in the column in view. */
interface InView {
  readonly gaugeOf: (
    student: MapStudent,
  ) => { readonly chance: number; readonly level: Level; readonly tooLittle: boolean } | undefined;
  /** How far somebody has come in the column since the day compared with; null where that is not known. */
  readonly changeOf: (student: MapStudent) => number | null;
}

/** The students whom the words mean, in the order asked for. */
export function sortedRows(
  students: readonly MapStudent[],
  { gaugeOf, changeOf }: InView,
  { sort, who, find }: { readonly sort: MapSort; readonly who: MapWho; readonly find: string },
): MapStudent[] {
  const wanted = find.trim().toLocaleLowerCase();
  const chance = (student: MapStudent) => {
    const gauge = gaugeOf(student);
    // Without evidence nobody is needier than those who showed a gap.
    return !gauge || gauge.tooLittle ? 2 : gauge.chance;
  };
  return students
    .filter((student) => {
      const gauge = gaugeOf(student);
      const fits =
        who === "all" || (who === "too-little" ? gauge?.tooLittle : !gauge?.tooLittle && gauge?.level === who);
      return fits && student.name.toLocaleLowerCase().includes(wanted);
    })
    .sort((x, y) => {
      const order =
        sort === "need" ? chance(x) - chance(y) : sort === "change" ? (changeOf(x) ?? 2) - (changeOf(y) ?? 2) : 0;
      return order || x.name.localeCompare(y.name);
    });
}
