import type { ReviewSettings } from "../model/reviewSettings";

export const USUAL_REVIEW: ReviewSettings = { minutesADay: 10, entering: "mastered", wantedRecall: 0.9, target: 0.85 };

/** Review is given on so many days of a usual week: those on which school is kept. */
export const REVIEW_DAYS_A_WEEK = 5;
