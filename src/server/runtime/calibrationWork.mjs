// The work of a calibration thread: hundreds of rounds over thousands of answers must not hold up a class's answers.
import { checkItems } from "../../core/measurement/checkItems.ts";

/** @param {{ answers: import("../../core/measurement/checkItems.ts").SkillAnswers, model: "rasch" | "2pl" | "3pl" }} task The answers to the items of one skill, and by which model. */
export default function calibrate({ answers, model }) {
  return checkItems(answers, model);
}
