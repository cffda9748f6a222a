import "server-only";
import { masteryToday } from "@/core/mastery/masteryToday";
import { skillsOnDays } from "@/db/queries/summaries";
import type { Context } from "@/server/runtime/context";
import type { MapSince, MasteryMapView } from "../types";
import type { ReportFrame } from "./frame";
import { rangeWords } from "./frameView";

/** Where the students of the map stood at the end of the days that it is set against; null where it is set against none. */
export async function mapSince({ runtime }: Context, frame: ReportFrame): Promise<MapSince | null> {
  if (!frame.against) return null;
  const on = frame.against.to;
  const rows = await skillsOnDays(
    runtime.db.read,
    frame.students.map(({ id }) => id),
    [on],
  );
  const chances: Record<string, Record<string, number>> = {};
  for (const { personId, skillId, mastery, prior, day, stabilityDays } of rows) {
    if (mastery === null || stabilityDays === null) continue;
    chances[personId] ??= {};
    // As it had faded by that day.
    chances[personId][skillId] = masteryToday({ mastery, prior, lastDay: day, stabilityDays }, on);
  }
  return { words: rangeWords({ from: on, to: on }, frame.today), chances };
}

/** The map with those students and skills that the frame leaves. */
export function narrowedMap(view: MasteryMapView, frame: ReportFrame): MasteryMapView {
  const [students, skills] = [new Set(frame.students.map(({ id }) => id)), new Set(frame.skills.map(({ id }) => id))];
  const shown = view.skills.flatMap(({ id }, place) => (skills.has(id) ? [place] : []));
  return {
    ...view,
    skills: shown.flatMap((place) => view.skills[place] ?? []),
    groupings: view.groupings.map(({ groups, ...grouping }) => ({
      ...grouping,
      groups: groups.flatMap(({ places, ...group }) => {
        const left = places.flatMap((place) => (shown.includes(place) ? [shown.indexOf(place)] : []));
        return left.length === 0 ? [] : [{ ...group, places: left }];
      }),
    })),
    students: view.students
      .filter(({ id }) => students.has(id))
      .map((student) => ({ ...student, gauges: shown.flatMap((place) => student.gauges[place] ?? []) })),
  };
}
