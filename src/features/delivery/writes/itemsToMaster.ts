import "server-only";

/** Items of practice that nobody set a number for, at most: so many right answers master every skill that ships. */
export const ITEMS_TO_MASTER = 16;
