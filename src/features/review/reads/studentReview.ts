import "server-only";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { reviewStanding } from "@/core/review/reviewStanding";
import { shareRemembered } from "@/core/review/shareRemembered";
import { demand } from "@/server/access/demand";
import { studentSubject } from "@/server/access/studentSubject";
import { differs, remembering } from "@/server/review/reviewOf";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { StudentReviewView } from "../types";
import { outsideOf } from "./classReview";
import { loadReview } from "./loadReview";
import { minutesOf } from "./reviewFigures";

/** What one student keeps: each skill with its memory, and what differs from the class. */
export async function studentReview(context: Context, classId: string, studentId: string): Promise<StudentReviewView> {
  const { runtime, actor } = context;
  const { subject } = await studentSubject(runtime, studentId);
  demand(actor, "see", subject);
  const loaded = await loadReview(context, classId);
  const { home, classroom, review, tries, day } = loaded;
  const own = review.students.get(studentId);
  const student = classroom.students.find(({ id }) => id === studentId);
  if (!own || !student) throw new Refusal("not-found", "This student is not in the class any more.");
  const share = shareRemembered(remembering(own), day);
  const standing = new Map(reviewStanding(own.skills, day, own.settings.wantedRecall).map((one) => [one.skillId, one]));
  const skillOf = new Map(review.scope.map((skill) => [skill.id, skill]));
  return {
    classId,
    className: home.name,
    studentId,
    name: student.fullName,
    on: own.on,
    settings: own.settings,
    differs: differs(own, review),
    remembered: "share" in share ? share.share : null,
    ...minutesOf(own),
    skills: own.skills.map(({ skillId, place, chosen, enteredDay, wasMastered }) => {
      const { recall = 0, due = false, daysSinceMet = 0 } = standing.get(skillId) ?? {};
      const tried = tries.filter((one) => one.personId === studentId && one.skillId === skillId);
      return {
        skillId,
        name: skillOf.get(skillId)?.name ?? "",
        strand: skillOf.get(skillId)?.strand ?? "",
        place,
        chosen,
        recall: wasMastered === false ? null : recall,
        due: due && place === "in",
        daysSinceMet,
        entered: dayOfNumber(enteredDay),
        tries: tried.length,
        right: tried.filter(({ right }) => right).length,
      };
    }),
    outside: outsideOf(loaded, new Set(own.skills.map(({ skillId }) => skillId))),
  };
}
