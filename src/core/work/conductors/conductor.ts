import type { SkillBelief } from "../../mastery/skillBelief";
import type { Placements } from "../../mastery/startingBelief";
import type { FinishReason, PartSettings, SittingState } from "../../model/work";
import type { Rational } from "../../numeric/rational";
import type { PartSituation, PickedItem, PoolItem } from "../partSituation";

/** What the next item should be: an item of a skill for what is believed of the student, one that was picked, or just this draw. */
export type Aim =
  | {
      readonly skillId: string;
      readonly belief: SkillBelief;
      readonly missesInRow: number;
      /** The item models of the skill come evenly, whatever lies nearest. */
      readonly evenly?: boolean;
    }
  | { readonly picked: PickedItem }
  | { readonly skillId: string; readonly drawn: PoolItem };

/** How far a run has come. */
export interface PartEnd {
  /** 0 to 1; full only at the end. */
  readonly progress: number;
  readonly done: boolean;
  readonly reason: FinishReason | null;
}

/** What a student, and the student's browser, may be told when. */
export interface Tells {
  /** Right or wrong after each try, with what to look at. */
  readonly verdict: boolean;
  readonly hints: boolean;
  /** How many were right so far. */
  readonly count: boolean;
}

/** One try at an item. */
export interface Try {
  readonly right: boolean;
  readonly number: number;
  /** Given while the server could not be reached: nothing was told, so there is no second try. */
  readonly offline: boolean;
}

/**
 * A kind of work: what comes next, when an item is over, when the run is, and what is told meanwhile. Everything that depends
 * on the kind stands in its conductor.
 */
export interface Conductor {
  readonly begin: (situation: PartSituation) => SittingState;
  /**
   * What to aim the next item at, as if the items in `shown` had been given; null when nothing is left to give. `random` gives numbers in [0, 1).
   */
  readonly next: (
    situation: PartSituation,
    shown: readonly { readonly skillId: string }[],
    random: () => number,
  ) => Aim | null;
  /** Whether the item is over with this try. */
  readonly take: (given: Try, settings: PartSettings) => boolean;
  readonly end: (situation: PartSituation) => PartEnd;
  /** What to remember besides, once it is over. */
  readonly atEnd: (situation: PartSituation) => SittingState;
  readonly tells: Tells;
  /** Whether it ends once mastery is sure enough, so that somebody may say how sure. */
  readonly endsWhenSure: boolean;
  /** What it may go over: so many skills, or whole strands. */
  readonly goesOver:
    | { readonly by: "strands" }
    | { readonly by: "skills"; readonly least: number; readonly most: number };
  /** Whether its items may be picked by hand. */
  readonly pickable: boolean;
  /** Whether all its items stand from the beginning, in one order, whatever is answered. */
  readonly standsWhole: boolean;
  /** Whether it is read and not answered: its student says when that is done. */
  readonly isRead: boolean;
  /** Whether it is done on paper: nobody works at it here, and what came out is typed in. */
  readonly onPaper: boolean;
  /** Whether answers may be changed until the whole of it is handed in: only then are they worth anything. */
  readonly isHandedInWhole: (settings: PartSettings) => boolean;
  /** Where the student is placed as far as is known now, by strand: what the answer to come finds. */
  readonly placements: (situation: PartSituation) => Placements;
  /** Whether it ends by itself with its time, whatever is left of it. */
  readonly endsWithTime: boolean;
  /** Whether items can be chosen ahead, for a lost connection: not where each hangs on the answer before. */
  readonly looksAhead: boolean;
  /** Whether an item may be set aside as not learned yet, which is neither right nor wrong. */
  readonly setsAside: boolean;
  /** The mark so far, exact, 0 to 1; null before there is anything to mark. */
  readonly mark: (situation: Pick<PartSituation, "items">) => Rational | null;
}
