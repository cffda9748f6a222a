import type { ReviewSettings } from "../model/reviewSettings";

export const USUAL_REVIEW: ReviewSettings = { minutesADay: 10, entering: "mastered", wantedRecall: 0.9, target: 0.85 };
