/** What a note can be about. */
export const NOTED = ["skill", "item", "unit"] as const;
export type Noted = (typeof NOTED)[number];
