import { MOST_OF_SHORT_CHECK } from "@/core/selection/shortCheck";
import { type Composition, isRepeatable, MOST_PRACTISED, type SeriesChoice } from "./composition";

/** How it is given again and again; null where it is given once, or is nothing that can be. */
export const seriesOf = ({ made, series }: Composition): SeriesChoice | null => (isRepeatable(made) ? series : null);

/** The series of one class as it is sent. */
export function seriesMessageOf(
  { made, title, skillIds, items, opensDay }: Composition,
  { planWeeks, lastDay, ...rhythm }: SeriesChoice,
  {
    id,
    classId,
    studentIds,
  }: { readonly id: string; readonly classId: string; readonly studentIds: readonly string[] | null },
) {
  const perSkill = made === "sequential" ? MOST_OF_SHORT_CHECK * Math.max(1, skillIds.length) : items;
  return {
    id,
    classId,
    studentIds,
    title,
    kind: made,
    fromDay: opensDay,
    toDay: lastDay,
    rules: {
      ...rhythm,
      items: made === "sequential" && planWeeks !== null ? MOST_OF_SHORT_CHECK * MOST_PRACTISED : perSkill,
      source: planWeeks === null ? { by: "skills", skillIds } : { by: "plan", weeks: planWeeks },
    },
  };
}
