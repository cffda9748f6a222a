/** What a note can be about. */
export const NOTED = ["skill", "item"] as const;
export type Noted = (typeof NOTED)[number];
