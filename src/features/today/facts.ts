/** What the other stations know, as far as Today looks at it. */
export interface TodayFacts {
  readonly pointers: readonly {
    readonly id: string;
    readonly name: string;
    readonly sentence: string;
    readonly path: string;
    readonly dayWords: string;
    readonly isDue: boolean;
  }[];
  readonly roster: {
    readonly students: readonly {
      readonly id: string;
      readonly name: string;
      readonly signIn: "none" | "locked" | "never" | "used";
    }[];
    /** What looks off, in sentences. */
    readonly health: readonly { readonly kind: string; readonly because: string; readonly about: readonly Named[] }[];
  };
  readonly works: readonly {
    readonly id: string;
    readonly title: string;
    readonly className: string;
    readonly due: string | null;
    readonly state: "open" | "late" | "over" | "later" | "prepared";
    readonly isDueSoon: boolean;
    readonly given: number;
    readonly notStarted: number;
    readonly stuck: number;
    readonly finished: number;
    readonly toScore: number;
    readonly toShow: number;
    readonly joinedCount: number;
  }[];
  readonly groups: readonly {
    readonly id: string;
    readonly name: string;
    readonly stage: "standing" | "plan" | "practice" | "waiting" | "check" | "result";
    readonly stageText: string;
  }[];
  readonly map: {
    readonly currentSkillId: string;
    readonly skills: readonly { readonly id: string; readonly name: string; readonly blocks: readonly string[] }[];
    readonly misconceptions: readonly {
      readonly skillId: string;
      readonly name: string;
      readonly students: readonly Named[];
    }[];
  } | null;
  readonly plan: { readonly text: string; readonly attention: boolean } | null;
  readonly gaps: readonly {
    readonly classId: string;
    readonly className: string;
    readonly title: string;
    readonly from: string;
    readonly skillId: string;
    readonly skill: string;
    readonly lacking: number;
    readonly known: number;
  }[];
  /** Null where no class practises them. */
  readonly numberFacts: { readonly stalled: readonly Named[]; readonly missed: readonly Named[] } | null;
  /** Class by class that reviews. */
  readonly reviews: readonly {
    readonly classId: string;
    readonly className: string;
    /** Whose minutes do not keep what is in their review, and how many more a day would, in the middle. */
    readonly short: readonly Named[];
    readonly moreMinutes: number;
    /** Had something due, and has not come for more than a school week. */
    readonly missed: readonly Named[];
    /** Hardly ever right at the first try: with who lacks it. */
    readonly tooHard: readonly {
      readonly skillId: string;
      readonly name: string;
      readonly right: number;
      readonly tries: number;
      readonly lacking: readonly Named[];
    }[];
    readonly students: number;
  }[];
  readonly signs: {
    readonly away: readonly (Named & { readonly schoolDays: number })[];
    readonly rushes: readonly (Named & OfWork & { readonly seconds: number; readonly answers: number })[];
    readonly surprises: readonly (Named &
      OfWork & {
        readonly right: number;
        readonly items: number;
        readonly expected: number;
        readonly verdict: "above" | "below";
      })[];
    readonly praise: { readonly week: string; readonly students: readonly Named[] };
  } | null;
}

interface Named {
  readonly id: string;
  readonly name: string;
}

interface OfWork {
  readonly workId: string;
  readonly title: string;
}
