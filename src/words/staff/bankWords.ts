import type { BankLevel, BankRole } from "@/core/model/bankLevel";

/** What somebody may do with a bank. */
export const LEVEL_WORDS: Readonly<Record<BankLevel, string>> = {
  use: "find and give its items",
  change: "write and change its items",
  "look-after": "look after it",
};

/** Those of a school to whom a bank is opened; null for its whole staff. */
export const bankRoleWords = (role: BankRole | null, school: string): string =>
  role === null ? `everybody of ${school}` : `the ${role}s of ${school}`;
