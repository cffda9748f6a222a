import "server-only";
import type { CalibrationOptions } from "@/core/measurement/calibrate";
import type { CheckedSkill, SkillAnswers } from "@/core/measurement/checkItems";
import { workerPool } from "./workerPool";

/** Nobody waits for it: one at a time leaves the machine to those who do. */
const pool = workerPool("calibrationWorker.mjs", 1);

/** Calibrates the items of one skill in a thread of its own. */
export const checkItemsApart = (answers: SkillAnswers, model: CalibrationOptions["model"]): Promise<CheckedSkill> =>
  pool().run({ answers, model }) as Promise<CheckedSkill>;
