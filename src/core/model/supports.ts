/** What a student needs in order to show what they know. */
export interface StudentSupports {
  /** Times the usual time; 1 is the usual time. */
  readonly timeFactor: number;
  readonly readAloud: boolean;
  readonly largerText: boolean;
  /** Share of the items that is given; 1 is all of them. */
  readonly itemShare: number;
  readonly separateSetting: boolean;
  readonly homeLanguage: string;
  readonly leaveOutOfTests: boolean;
  readonly leaveOutReason: string;
  /** The subject in whose tests they are left out; null for all. */
  readonly leaveOutSubjectId: string | null;
  /** The last day on which they are; null for no end. As YYYY-MM-DD. */
  readonly leaveOutUntil: string | null;
}

export const NO_SUPPORTS: StudentSupports = {
  timeFactor: 1,
  readAloud: false,
  largerText: false,
  itemShare: 1,
  separateSetting: false,
  homeLanguage: "",
  leaveOutOfTests: false,
  leaveOutReason: "",
  leaveOutSubjectId: null,
  leaveOutUntil: null,
};

export const TIME_FACTORS = [1, 1.25, 1.5, 2] as const;
export const ITEM_SHARES = [1, 0.75, 0.5] as const;
