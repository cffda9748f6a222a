import type { ChangeArea } from "./changeArea";
import type { Approach, VisitResult } from "./reteach";
import type { ReviewPlace } from "./reviewSettings";

/** What the history says of groups' habits, lessons held and minutes with one student, by kind. */
export interface GroupFacts {
  readonly "group-habits-changed": { readonly className: string };
  /** Who was there when a group was taught: how many, and how many were not. */
  readonly "presence-noted": { readonly name: string; readonly there: number; readonly away: number };
  readonly "own-reteach-kept": { readonly skill: string; readonly approach: Approach; readonly shared: boolean };
  readonly "visit-noted": { readonly personId: string; readonly skill: string; readonly result: VisitResult };
  /** Scores of a test that was taken elsewhere: of how many students, and how many strands they tell of. */
  readonly "outside-scores-kept": { readonly title: string; readonly students: number; readonly strands: number };
  /** How a class, or one student of it, practises number facts. */
  readonly "fact-settings-changed": {
    readonly className: string;
    readonly personId: string | null;
    readonly on: boolean;
  };
  /** How a class, or one student of it, keeps what was learned. */
  readonly "review-settings-changed": {
    readonly className: string;
    readonly personId: string | null;
    readonly on: boolean;
  };
  /** Skills put into review, to rest or out of it; `skill` where it was one. */
  readonly "review-skills-placed": {
    readonly className: string;
    readonly personId: string | null;
    readonly place: ReviewPlace;
    readonly skill: string | null;
    readonly skills: number;
  };
  readonly "outside-scores-removed": { readonly title: string };
}

export const AREA_OF_GROUPS: Readonly<Record<keyof GroupFacts, ChangeArea>> = {
  "group-habits-changed": "groups",
  "presence-noted": "groups",
  "own-reteach-kept": "groups",
  "visit-noted": "groups",
  "outside-scores-kept": "groups",
  "outside-scores-removed": "groups",
  "fact-settings-changed": "work",
  "review-settings-changed": "work",
  "review-skills-placed": "work",
};
