import type { NoAlpha } from "@/core/measurement/cronbachAlpha";
import type { ItemFlag } from "@/core/measurement/itemAnalysis";
import type { Rushed } from "@/core/measurement/rushedTest";
import type { ShareInterval } from "@/core/measurement/wilson";
import type { WorkKind } from "@/core/model/work";
import type { RunState } from "@/core/work/stateOfRun";

interface Named {
  readonly id: string;
  readonly name: string;
}

/** A wrong answer that several or one gave, or, where every student has numbers of their own, a mistake. */
export interface WrongAnswer {
  readonly text: string;
  readonly misconceptionId: string | null;
  readonly misconception: string | null;
  readonly studentIds: readonly string[];
}

/** An item of a piece of work over all who were given it, by their first tries. */
export interface PieceItem {
  /** The version, and the draw where all had the same numbers. */
  readonly key: string;
  readonly place: number;
  readonly stem: string;
  readonly answer: string;
  readonly skillId: string;
  readonly skill: string;
  readonly right: ShareInterval;
  readonly rightIds: readonly string[];
  /** Missed it or left it blank in a test that was handed in. */
  readonly missedIds: readonly string[];
  readonly wrong: readonly WrongAnswer[];
  readonly blank: number;
  readonly medianSeconds: number | null;
  /** Only where everybody had the same item. */
  readonly analysis: {
    readonly itemRest: number | null;
    readonly upperLower: number | null;
    readonly alphaIfDropped: number | null;
  } | null;
  readonly flags: readonly ItemFlag[];
  readonly leftOut: boolean;
}

export interface PieceStudent {
  readonly id: string;
  readonly classId: string;
  readonly name: string;
  readonly state: RunState | "excused" | "absent";
  /** The mark that counts, exact ("7/10"); null before there is one. */
  readonly mark: string | null;
  /** Marks of all finished tries, exact, in order. */
  readonly tries: readonly string[];
  readonly right: number;
  readonly answered: number;
  readonly minutes: number;
  readonly secondsAnItem: number | null;
  readonly rapid: number;
  readonly rushed: Rushed | null;
  readonly late: boolean;
  readonly lastWorked: string | null;
  /** Skills missed, the least sure first. */
  readonly missed: readonly Named[];
}

/** Items of a piece of work by what they are about. */
export interface PieceStandard {
  readonly id: string;
  /** "RR.6.3" of the framework followed; empty for a skill without standards. */
  readonly code: string;
  readonly words: string;
  readonly items: number;
  /** The first skill of it that was asked about. */
  readonly skillId: string;
  readonly right: ShareInterval;
  /** Had none of these items right. */
  readonly noneRight: readonly string[];
}

export interface PieceView {
  readonly id: string;
  readonly workTitle: string;
  readonly className: string;
  readonly kind: WorkKind;
  readonly isTest: boolean;
  readonly given: string;
  readonly due: string | null;
  readonly part: Named;
  readonly parts: readonly Named[];
  /** The work's cut in per cent; null for none, and then the usual line is drawn. */
  readonly cutPercent: number | null;
  readonly line: number;
  readonly students: readonly PieceStudent[];
  readonly standards: readonly PieceStandard[];
  readonly items: readonly PieceItem[];
  /** Everybody had the same items. */
  readonly sameItems: boolean;
  /** Keys of items, in the order to talk about them. */
  readonly openers: readonly string[];
  /** The skill that most students missed: whom a mark of the whole means is pulled for it. */
  readonly leadSkillId: string | null;
  readonly reliability: {
    readonly alpha: number | null;
    readonly low: number | null;
    readonly high: number | null;
    readonly noAlpha: NoAlpha["noEstimate"] | null;
    /** In points of 100. */
    readonly sem: number | null;
    readonly complete: number;
    readonly few: boolean;
  } | null;
  /** To whom it was given and who is out of sight because of the frame. */
  readonly hidden: number;
  readonly mayChange: boolean;
  readonly dueDay: string;
}

/** A line of the list of pieces. */
export interface PieceLine {
  readonly id: string;
  readonly title: string;
  readonly className: string;
  readonly kind: WorkKind;
  readonly given: string;
  readonly due: string | null;
  readonly students: number;
  readonly finished: number;
  /** Mean of the marks that count, in whole per cent, rounded down. */
  readonly average: number | null;
}
