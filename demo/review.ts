import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { seededRandom } from "@/core/numeric/seededRandom";
import { takeReview } from "@/features/delivery/writes/takeReview";
import { placeReviewSkills } from "@/features/review/writes/placeSkills";
import { changeReviewSettings } from "@/features/review/writes/reviewSettings";
import type { StaffActor } from "@/server/access/policy";
import { libraryOf } from "@/server/library/library";
import { ownReviews } from "@/server/review/ownReviews";
import type { Context } from "@/server/runtime/context";
import { createRuntime } from "@/server/runtime/runtime";
import { instantAt } from "@/server/runtime/school";
import { type Pupil, sit } from "./pupil";
import type { Simulation } from "./simulation";

/** Days before the last one on which review began, and how many of the class come to it on a day. */
const DAYS = 18;
const COMES = 0.8;
/** Skills of the grade before that the teacher took in, so that they are kept too. */
const OF_LAST_YEAR = 6;
const LAST_YEAR = 5;
const MINUTES = 4;
const MOST_ITEMS = 40;

/** The teacher's first class reviews what it mastered, a few minutes a day, in the last weeks. */
export function dailyReview(
  simulation: Simulation,
  teacher: Context & { readonly actor: StaffActor },
  pupils: readonly Pupil[],
  { lastDay }: { readonly lastDay: number },
): { readonly on: (day: number) => Promise<void> } {
  const random = seededRandom("review of kestrel weir");
  // With chance of its own, so that review changes nothing of what else is given.
  const { db, now } = simulation.runtime;
  const runtime = createRuntime(db, now, seededRandom("kestrel weir review"), simulation.runtime);
  const own: Simulation = { ...simulation, runtime };
  const [classId = ""] = teacher.actor.classIds;
  let begun = false;
  const at = (day: number, time: string) => instantAt(simulation.school, dayOfNumber(day), time);
  return {
    on: async (day) => {
      if (day < lastDay - DAYS) return;
      if (!begun) {
        begun = true;
        simulation.setNow(at(day, "08:02"));
        await changeReviewSettings(teacher, { classId, on: true, minutesADay: MINUTES });
        const library = await libraryOf(runtime);
        const { subjectId: taught } = library.skill("equivalent-ratios");
        const before = library.skills.filter(
          ({ grade, items, subjectId }) => grade === LAST_YEAR && items > 0 && subjectId === taught,
        );
        const skillIds = before.slice(0, OF_LAST_YEAR).map(({ id }) => id);
        await placeReviewSkills(teacher, { classId, skillIds, place: "in" });
      }
      for (const [order, pupil] of pupils.filter((one) => one.classId === classId).entries()) {
        if (random() > COMES) continue;
        simulation.setNow(at(day, "14:10") + order * 900);
        const actor = {
          kind: "student" as const,
          personId: pupil.id,
          schoolId: simulation.school.id,
          name: pupil.name,
        };
        const due = (await ownReviews(db.read, runtime, actor)).find((review) => review.class.id === classId);
        if (!due || due.queue.skillIds.length === 0) continue;
        const { assignmentId } = await takeReview({ runtime, actor }, { classId });
        await sit(own, assignmentId, pupil, day, MOST_ITEMS, { partId: null, random });
      }
    },
  };
}
