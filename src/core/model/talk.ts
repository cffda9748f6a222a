/** Why something went wrong: reading, the skill itself, haste, frustration, or something else. */
export const TALK_REASONS = ["reading", "skill", "haste", "frustration", "other"] as const;
export type TalkReason = (typeof TALK_REASONS)[number];
