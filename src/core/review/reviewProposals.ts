import type { ReviewReason } from "../model/reviewSettings";
import { type ContainableSkill, containersAmong } from "./containedSkills";

/** A skill in a class's review as proposals look at it. */
export interface ProposableSkill {
  readonly skillId: string;
  /** Students who are enrolled, and those of them who stand Secure today on enough evidence. */
  readonly enrolled: number;
  readonly secure: number;
  /** Students of whom it is asked, by id. */
  readonly askedOf: ReadonlySet<string>;
  /** How many of those have mastered it once. */
  readonly mastered: number;
  /** First tries at it in review of late, and right ones. */
  readonly answers: number;
  readonly right: number;
}

export interface ReviewProposal {
  readonly skillId: string;
  /** What is proposed: to let it rest, or to teach it again before it is asked any more. */
  readonly what: "rest" | "reteach";
  readonly reason: ReviewReason;
}

/** Under this share of right first tries, from so many answers on, asking it again teaches nothing. */
const TOO_HARD = { share: 0.2, answers: 5 } as const;

/**
 * What could be done with skills in review, each with its reason, one a skill: what is hardly ever right is taught again first; what everybody has, or
 * what another skill exercises anyway, may rest. Only what stays, and is asked of all the same students, exercises another: doing all of it at once leaves
 * nothing without. `library`: all skills, for the way down.
 * @example reviewProposals([{ skillId: "a", enrolled: 4, secure: 4, askedOf: new Set(), mastered: 0, answers: 0, right: 0 }], [])[0]?.what // "rest"
 */
export function reviewProposals(
  skills: readonly ProposableSkill[],
  library: readonly ContainableSkill[],
): ReviewProposal[] {
  const containerOf = containersAmong(library);
  const difficulty = new Map(library.map((skill) => [skill.id, skill.difficulty]));
  const byId = new Map(skills.map((skill) => [skill.skillId, skill]));
  const staying = new Set(skills.map(({ skillId }) => skillId));
  const proposals = new Map<string, ReviewProposal>();
  const propose = (skillId: string, what: ReviewProposal["what"], reason: ReviewReason) => {
    staying.delete(skillId);
    proposals.set(skillId, { skillId, what, reason });
  };
  for (const { skillId, enrolled, secure, answers, right } of skills)
    if (answers >= TOO_HARD.answers && right / answers < TOO_HARD.share)
      propose(skillId, "reteach", { by: "too-hard", accuracy: right / answers, answers });
    else if (enrolled > 0 && secure === enrolled)
      propose(skillId, "rest", { by: "everybody-secure", students: enrolled });
  const covers = (within: string, skillId: string) => {
    const reached = byId.get(within)?.askedOf;
    return [...(byId.get(skillId)?.askedOf ?? [])].every((student) => reached?.has(student));
  };
  // From the hardest down: whatever contains a skill is decided before it.
  const falling = [...staying].sort((x, y) => (difficulty.get(y) ?? 0) - (difficulty.get(x) ?? 0) || (x < y ? -1 : 1));
  for (const skillId of falling) {
    const { mastered = 0, askedOf } = byId.get(skillId) ?? {};
    // What most have still to learn is not for resting, whatever exercises it.
    const isLearned = mastered * 2 >= (askedOf?.size ?? 0);
    const inside = isLearned ? containerOf(skillId, staying, covers) : null;
    if (inside) propose(skillId, "rest", { by: "contained", within: inside.within, because: inside.because });
  }
  return skills.flatMap(({ skillId }) => proposals.get(skillId) ?? []);
}
