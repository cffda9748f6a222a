// The work of a forecast thread: a class's weeks, simulated some dozen times, must not hold up anybody's answers.
import { compareForecasts } from "../../core/review/compareForecasts.ts";

/** @param {import("../../core/review/compareForecasts.ts").ForecastQuestion} question Whose review, and what would change. */
export default function forecast(question) {
  return compareForecasts(question);
}
