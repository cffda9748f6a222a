import "server-only";
import { LEARNED_KINDS } from "@/core/work/conductors/learnedKinds";
import { openWorkCounts } from "@/db/queries/figures";
import { figure } from "@/server/classroom/figure";

/** Open work first, stuck students above all. */
export const workFigure = figure(
  ["assignments", "assignment_targets", "part_skills", "sittings", "skill_states"],
  async ({ db }, { classIds, now }) => {
    const { works, given, notStarted, stuck, finished } = await openWorkCounts(db.read, classIds, {
      now,
      learnedFrom: LEARNED_KINDS,
    });
    if (works === 0) return { text: "no open work", attention: false };
    const parts = [...(notStarted > 0 ? [`${notStarted} not started`] : []), ...(stuck > 0 ? [`${stuck} stuck`] : [])];
    return parts.length === 0
      ? { text: `${finished} of ${given} finished`, attention: false }
      : { text: parts.join(", "), attention: true };
  },
);
