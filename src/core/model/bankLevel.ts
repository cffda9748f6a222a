/** What somebody may do with a bank; each level includes those before it. */
export const BANK_LEVELS = ["use", "change", "look-after"] as const;
export type BankLevel = (typeof BANK_LEVELS)[number];

/** Parts of a school's staff to whom a bank can be opened. */
export const BANK_ROLES = ["teacher", "specialist", "coordinator"] as const;
export type BankRole = (typeof BANK_ROLES)[number];
