import type { ItemResponse } from "@/core/items/checkItem";
import type { DrawnItem } from "@/core/items/drawItem";
import { rightResponse, tellingMistakes } from "@/core/items/telling";
import type { ItemParameters } from "@/core/measurement/item";
import { probability } from "@/core/measurement/probability";
import { slipOn } from "./slips";

/** The truth about a simulated student, which the application never sees. */
export interface Learner {
  /** Ability on the vertical scale, in logits. */
  readonly ability: number;
  /** How much ability differs in single skills. */
  readonly deviations: Readonly<Record<string, number>>;
  /** Misconceptions that this student falls back on. */
  readonly habits: readonly string[];
  /** Share of items answered in haste. */
  readonly haste: number;
  /** Share of school days missed. */
  readonly absence: number;
  /** Logits learned from one item worked with feedback. */
  readonly pace: number;
}

export interface SimulatedAnswer {
  readonly response: ItemResponse;
  readonly milliseconds: number;
  readonly hintsUsed: number;
}

/** Logits that teaching in class adds to a skill, and that a school day without practice takes away again. */
const TAUGHT_GAIN = 0.7;
const RETEACH_GAIN = 0.9;
const FORGETTING_PER_DAY = 0.006;
/** Learned logits beyond which practice of one skill adds nothing. */
const MOST_LEARNED = 1.9;

/** A learner at work: abilities rise with teaching and practice and fade in between. */
export class LearnerMind {
  private readonly learned = new Map<string, { logits: number; day: number }>();
  private readonly taught = new Set<string>();
  private readonly reteached = new Set<string>();

  constructor(
    readonly learner: Learner,
    private readonly random: () => number,
  ) {}

  teach(skillId: string): void {
    this.taught.add(skillId);
  }

  /** Teaching in a small group breaks most of a habit and lifts the skill more than a lesson does. */
  reteach(skillId: string, day: number): void {
    this.reteached.add(skillId);
    this.learned.set(skillId, {
      logits: Math.min(MOST_LEARNED, (this.learned.get(skillId)?.logits ?? 0) + RETEACH_GAIN),
      day,
    });
  }

  abilityIn(skillId: string, day: number): number {
    const { ability, deviations } = this.learner;
    const own = this.learned.get(skillId);
    const kept = own ? Math.max(0, own.logits - (day - own.day) * FORGETTING_PER_DAY) : 0;
    return ability + (deviations[skillId] ?? 0) + (this.taught.has(skillId) ? TAUGHT_GAIN : 0) + kept;
  }

  answer(
    item: DrawnItem,
    parameters: ItemParameters,
    skillId: string,
    day: number,
    tryNumber: number,
  ): SimulatedAnswer {
    const hasty = this.random() < this.learner.haste;
    const ability = hasty ? -4 : this.abilityIn(skillId, day) + (tryNumber > 1 ? 0.8 : 0);
    const right = this.random() < probability(ability, parameters);
    const own = this.learned.get(skillId);
    if (tryNumber === 1 && !hasty)
      this.learned.set(skillId, { logits: Math.min(MOST_LEARNED, (own?.logits ?? 0) + this.learner.pace), day });
    return {
      response: right ? rightResponse(item) : this.wrongResponse(item, this.reteached.has(skillId) ? 0.2 : 0.85),
      milliseconds: Math.round(hasty ? 1200 + 1800 * this.random() : 9000 + 34_000 * this.random() ** 2),
      hintsUsed: !hasty && !right && this.random() < 0.25 ? 1 : 0,
    };
  }

  /** The same in a test, with chance of its own: nothing is learned from it, and practice goes on as it would have. */
  answerInTest(item: DrawnItem, parameters: ItemParameters, skillId: string, day: number, random: () => number) {
    const hasty = random() < this.learner.haste;
    const right = random() < probability(hasty ? -4 : this.abilityIn(skillId, day), parameters);
    const habits = this.reteached.has(skillId) ? 0.2 : 0.85;
    return {
      response: right ? rightResponse(item) : this.wrongResponse(item, habits, random),
      milliseconds: Math.round(hasty ? 1200 + 1800 * random() : 12_000 + 50_000 * random() ** 2),
      hintsUsed: 0,
    };
  }

  /** A mistake with a reason behind it, most likely one of the student's habits; or else a mere slip. */
  private wrongResponse(item: DrawnItem, habitStrength: number, random = this.random): ItemResponse {
    const known = tellingMistakes(item);
    const habit = known.find(({ misconceptionId }) => this.learner.habits.includes(misconceptionId));
    if (habit && random() < habitStrength) return habit.response;
    const chosen = random() < 0.35 ? known[Math.floor(random() * known.length)] : undefined;
    return chosen?.response ?? slipOn(item, random);
  }
}

/** A number from the normal distribution (Box and Muller 1958). */
export function normal(random: () => number, mean: number, spread: number): number {
  return mean + spread * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
