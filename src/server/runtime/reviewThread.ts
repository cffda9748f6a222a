import "server-only";
import type { ForecastAnswer, ForecastQuestion } from "@/core/review/compareForecasts";
import { workerPool } from "./workerPool";

/** A teacher waits for it, and does not ask for two at once. */
const pool = workerPool("reviewWorker.mjs", 2);

/** Forecasts the review of some students, without and with a change, in a thread of its own. */
export const forecastApart = (question: ForecastQuestion): Promise<ForecastAnswer> =>
  pool().run(question) as Promise<ForecastAnswer>;
