/**
 * The vertical scale of a subject: theta 0 is the end of grade 6, a grade adds about half a logit, and students of one
 * grade spread with a standard deviation of about one logit.
 */
export const GRADE_SCALE = { zeroGrade: 6, logitsPerGrade: 0.5, spreadLogits: 1 } as const;
