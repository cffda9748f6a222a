import "server-only";
import { LEARNED_KINDS } from "@/core/work/conductors/learnedKinds";
import { practisedToday } from "@/db/queries/daily";
import { openWorkCounts } from "@/db/queries/figures";
import { type Figure, figure } from "@/server/classroom/figure";
import { instantAt, schoolOf } from "@/server/runtime/school";

/** Open work first, stuck students above all; where nothing of it wants anybody, also who has practised today. */
export const workFigure = figure(
  [
    "assignments",
    "assignment_targets",
    "part_skills",
    "sittings",
    "skill_states",
    "fact_days",
    "fact_settings",
    "review_settings",
  ],
  async (runtime, { classIds, now, today, schoolId }): Promise<Figure> => {
    const { read } = runtime.db;
    const { works, given, notStarted, stuck, finished } = await openWorkCounts(read, classIds, {
      now,
      learnedFrom: LEARNED_KINDS,
    });
    const parts = [...(notStarted > 0 ? [`${notStarted} not started`] : []), ...(stuck > 0 ? [`${stuck} stuck`] : [])];
    if (parts.length > 0) return { text: parts.join(", "), attention: true };
    const since = instantAt(await schoolOf(runtime, schoolId), today, "00:00");
    const daily = await practisedToday(read, classIds, { today, since });
    const said = daily ? [`${daily.practised} of ${daily.of} practised today`] : [];
    const open = works > 0 ? [`${finished} of ${given} finished`] : daily ? [] : ["no open work"];
    return { text: [...open, ...said].join("; "), attention: false };
  },
);
