import type { WhatHelped } from "@/core/grouping/whatHelped";

export interface HelpedView {
  /** Students who were taught again, were there and did the check. */
  readonly students: number;
  readonly rounds: number;
  /** Rounds that were told from luck by comparison, of those that could be compared. */
  readonly worked: number;
  readonly compared: number;
  readonly lines: readonly (WhatHelped & { readonly skill: string; readonly mistake: string | null })[];
}
