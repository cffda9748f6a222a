/** How well something was recalled: 1 not, 2 with effort or help, 3 well, 4 at once. */
export type RecallGrade = 1 | 2 | 3 | 4;
