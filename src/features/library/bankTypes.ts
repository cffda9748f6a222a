import type { BankLevel, BankRole } from "@/core/model/bankLevel";

export interface BankLine {
  readonly id: string;
  readonly name: string;
  /** Whose it is, in words. */
  readonly owner: string;
  readonly ready: number;
  readonly drafts: number;
  readonly restrictedUntil: string | null;
  readonly isRestricted: boolean;
  readonly level: BankLevel;
}

export interface BanksView {
  readonly stock: number;
  /** Looks after every school here, and so after what all of them draw from. */
  readonly mayCalibrate: boolean;
  readonly banks: readonly BankLine[];
  readonly putAway: readonly { readonly id: string; readonly name: string }[];
  /** Whether the asking person may make one for the school. */
  readonly coordinates: boolean;
  readonly school: string;
}

export interface BankView extends BankLine {
  readonly license: string;
  readonly rights: readonly {
    readonly id: string;
    readonly who: string;
    readonly level: BankLevel;
    readonly hasLeft: boolean;
  }[];
  readonly colleagues: readonly { readonly id: string; readonly name: string }[];
  readonly schools: readonly { readonly id: string; readonly name: string }[];
  readonly roles: readonly BankRole[];
}
