import { type JointGauge, jointGauge } from "@/core/mastery/jointGauge";
import { mean } from "@/core/numeric/mean";
import type { MapGroup, MapStudent, MasteryMapView } from "../../types";

/** A column of the map: one skill, or several read as one. */
export interface MapColumn {
  readonly id: string;
  readonly name: string;
  readonly title: string;
  /** Places of its skills in the map; just one for a skill. */
  readonly places: readonly number[];
}

export const COLUMN_ORDERS = ["plan", "learning", "need"] as const;
export type ColumnOrder = (typeof COLUMN_ORDERS)[number];

/** The groups of a grouping as columns; null where the columns are skills. */
export const groupsOf = (view: MasteryMapView, by: string): readonly MapGroup[] | null =>
  view.groupings.find(({ key }) => key === by)?.groups ?? null;

/** The columns: the groups of a grouping, or the skills, of one group or of all, in the order asked for. */
export function mapColumns(
  view: MasteryMapView,
  { by, within, order }: { readonly by: string; readonly within: string; readonly order: ColumnOrder },
): MapColumn[] {
  const groups = groupsOf(view, by);
  if (groups) return inOrder(groups, order, view);
  const [key = "", id = ""] = splitAt(within);
  const group = groupsOf(view, key)?.find((one) => one.id === id);
  const skills = (group?.places ?? view.skills.map((_, place) => place)).flatMap((place): MapColumn[] => {
    const skill = view.skills[place];
    return skill ? [{ id: skill.id, name: skill.name, title: skill.statement, places: [place] }] : [];
  });
  return inOrder(skills, order, view);
}

function inOrder(columns: readonly MapColumn[], order: ColumnOrder, view: MasteryMapView): MapColumn[] {
  const learning = ({ places }: MapColumn) => Math.min(...places.map((at) => view.skills[at]?.learningPlace ?? 0));
  // What nobody has met is no need yet.
  const need = (column: MapColumn) => {
    const known = view.students.map((student) => standingIn(student, column)).filter(({ tooLittle }) => !tooLittle);
    return known.length === 0 ? 2 : mean(known.map(({ chance }) => chance));
  };
  if (order === "plan") return [...columns];
  const keyed = columns.map((column) => [column, order === "learning" ? learning(column) : need(column)] as const);
  return keyed.sort(([, x], [, y]) => x - y).map(([column]) => column);
}

/** How a student stands in a column. */
export const standingIn = (student: MapStudent, { places }: MapColumn): JointGauge =>
  jointGauge(places.flatMap((place) => student.gauges[place] ?? []));

/** A name and what belongs to it ("level-1:WL 6.C1"); a name may have no colon, what belongs to it may. */
export function splitAt(text: string, sign = ":"): readonly [string, string] {
  const at = text.indexOf(sign);
  return at < 0 ? [text, ""] : [text.slice(0, at), text.slice(at + 1)];
}
