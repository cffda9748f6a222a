import type { CheckedItem, CheckedSkill } from "@/core/measurement/checkItems";

export const MODELS = ["rasch", "2pl", "3pl"] as const;
export type Model = (typeof MODELS)[number];

/** An item as the calibration found it, against what is in force. Difficulties in logits above the skill's own. */
export interface CalibratedItemView {
  readonly versionId: string;
  readonly itemId: string;
  readonly line: string;
  readonly found: CheckedItem;
  readonly inForce: number;
  readonly estimated: number | null;
  /** In force is an estimate already, not the rule. */
  readonly isEstimate: boolean;
  /** Still the version in use. */
  readonly isCurrent: boolean;
}

export interface CalibratedSkillView {
  readonly skillId: string;
  readonly name: string;
  readonly runs: number;
  readonly refusal: CheckedSkill["refusal"];
  readonly items: readonly CalibratedItemView[];
}

/** A calibration on its way or done. */
export interface CalibrationView {
  /** Of the bank; null for the stock. */
  readonly bankId: string | null;
  readonly bankName: string;
  readonly items: number;
  readonly leastAnswers: number;
  readonly latest: {
    readonly id: string;
    readonly by: string;
    readonly when: string;
    readonly model: Model;
    readonly state: "running" | "stopped" | "failed" | "done";
    readonly doneSkills: number;
    readonly ofSkills: number;
    readonly skills: readonly CalibratedSkillView[];
  } | null;
}

/** What a calibration found of a skill's items: its row keeps it as it came from the core. */
export const checkedSkill = (found: object): CheckedSkill => found as CheckedSkill;
