import "server-only";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { LEVEL_CUTS } from "@/core/model/levels";
import type { ReviewPlace } from "@/core/model/reviewSettings";
import { mean } from "@/core/numeric/mean";
import { median } from "@/core/numeric/median";
import { containedSkills } from "@/core/review/containedSkills";
import { daysWaiting } from "@/core/review/fullRound";
import { reviewMemory } from "@/core/review/reviewMemory";
import { reviewProposals } from "@/core/review/reviewProposals";
import type { LibrarySkill } from "@/server/library/library";
import type { OwnReviewSkill } from "@/server/review/reviewOf";
import type { ReviewProposalLine, ReviewSkillLine } from "../types";
import { type LoadedReview, reviewing } from "./loadReview";

/** Every skill that is in review, rests or was dropped for anybody in the class. */
export function skillLines({ classroom, review, tries, day }: LoadedReview): ReviewSkillLine[] {
  const own = new Map<string, OwnReviewSkill[]>();
  for (const [, { skills }] of reviewing(review))
    for (const skill of skills) own.set(skill.skillId, [...(own.get(skill.skillId) ?? []), skill]);
  // What was put somewhere for the whole class stands there, though nobody has come to it.
  for (const { skillId } of review.ofClass) if (!own.has(skillId)) own.set(skillId, []);
  const askedNow = new Set([...own].flatMap(([id, list]) => (list.some(({ place }) => place === "in") ? [id] : [])));
  const reached = askedOfWhom(reviewing(review));
  const covers = (wider: string, skillId: string) =>
    [...(reached.get(skillId) ?? [])].every((student) => reached.get(wider)?.has(student));
  const within = new Map(containedSkills(containable(review.scope), askedNow, covers).map((one) => [one.skillId, one]));
  const nameOf = new Map(review.scope.map((skill) => [skill.id, skill.name]));
  return review.scope.flatMap((skill): ReviewSkillLine[] => {
    const list = own.get(skill.id);
    if (!list) return [];
    const asked = list.filter(({ place }) => place === "in");
    const counted = list.filter(({ place, wasMastered }) => place !== "dropped" && wasMastered !== false);
    const gauges = classroom.students.map(({ gauges: of }) => of.get(skill.id));
    const tried = tries.filter(({ skillId }) => skillId === skill.id);
    const inside = within.get(skill.id);
    const entered = asked.map(({ enteredDay }) => enteredDay);
    return [
      {
        skillId: skill.id,
        name: skill.name,
        strand: skill.strand,
        place: placeOf(list, review.ofClass.find(({ skillId }) => skillId === skill.id)?.place),
        askedOf: asked.length,
        secure: gauges.filter((gauge) => gauge && !gauge.tooLittle && gauge.chance >= LEVEL_CUTS.secure).length,
        masteredOnce: gauges.filter((gauge) => gauge && gauge.mark !== "never").length,
        students: classroom.students.length,
        recall:
          counted.length === 0
            ? null
            : mean(counted.map(({ memory, lastDay }) => reviewMemory.recall(memory.stabilityDays, day - lastDay))),
        recallOf: counted.length,
        waiting: asked.length === 0 ? null : Math.round(median(asked.map((one) => daysWaiting(one, day)))),
        tries: tried.length,
        right: tried.filter(({ right }) => right).length,
        within: inside ? { name: nameOf.get(inside.within) ?? "", because: inside.because } : null,
        entered: entered.length === 0 ? null : dayOfNumber(Math.min(...entered)),
      },
    ];
  });
}

/** The students of whom each skill is asked. */
function askedOfWhom(students: ReturnType<typeof reviewing>): ReadonlyMap<string, ReadonlySet<string>> {
  const reached = new Map<string, Set<string>>();
  for (const [id, { skills }] of students)
    for (const { skillId, place } of skills)
      if (place === "in") reached.set(skillId, (reached.get(skillId) ?? new Set()).add(id));
  return reached;
}

/** Where a skill stands for the class: where it was put, else where most of its students have it. */
function placeOf(list: readonly OwnReviewSkill[], decided: ReviewPlace | undefined): ReviewPlace {
  if (decided) return decided;
  if (list.some(({ place }) => place === "in")) return "in";
  return list.some(({ place }) => place === "resting") ? "resting" : "dropped";
}

/** What could be done with skills that are asked, with the reason. */
export function proposalLines(
  { review, classroom }: LoadedReview,
  lines: readonly ReviewSkillLine[],
): ReviewProposalLine[] {
  const nameOf = new Map(review.scope.map((skill) => [skill.id, skill.name]));
  const reached = askedOfWhom(reviewing(review));
  const asked = lines.filter(({ place, askedOf }) => place === "in" && askedOf > 0);
  return reviewProposals(
    asked.map(({ skillId, students, secure, tries, right, recallOf }) => ({
      skillId,
      enrolled: students,
      secure,
      askedOf: reached.get(skillId) ?? new Set<string>(),
      mastered: recallOf,
      answers: tries,
      right,
    })),
    containable(review.scope),
  ).map(({ skillId, what, reason }) => ({
    skillId,
    name: nameOf.get(skillId) ?? "",
    what,
    reason,
    within: "within" in reason ? (nameOf.get(reason.within) ?? null) : null,
    lacking:
      what === "reteach"
        ? classroom.students
            .filter(({ gauges }) => (gauges.get(skillId)?.chance ?? 0) < LEVEL_CUTS.secure)
            .map(({ id, fullName }) => ({ id, name: fullName }))
        : [],
  }));
}

const containable = (scope: readonly LibrarySkill[]) =>
  scope.map(({ id, prerequisites, standards, difficulty }) => ({
    id,
    prerequisites,
    standards: standards.map((standard) => standard.id),
    difficulty,
  }));
