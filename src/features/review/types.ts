import type { ReviewPlace, ReviewReason, ReviewSettings } from "@/core/model/reviewSettings";
import type { WorkKind } from "@/core/model/work";
import type { ForecastWeek } from "@/core/review/forecastReview";

/** Whether review does what it is for: of a class, each a mean or median over its students. */
export interface ReviewFigures {
  /** Share that would be remembered today of what was mastered once, so many skills of a student (median); null where nothing was. */
  readonly remembered: number | null;
  readonly mastered: number;
  /** Skills in review or resting, of a student (median). */
  readonly skills: number;
  /** Minutes a week that keep everything, and those given, of one student. */
  readonly needed: number;
  readonly given: number;
  /** Students whose minutes do not keep what is in their review. */
  readonly short: number;
  /** Days that a full round takes, and how many are good for these memories. */
  readonly round: {
    readonly days: number;
    readonly good: number;
    /** Skills of a student that have waited longer than their own memory allows (mean). */
    readonly overdue: number;
  };
  /** Mean of the students' own shares of right first tries, with the number of tries; null before the first. */
  readonly accuracy: { readonly share: number; readonly answers: number } | null;
  /** How many skills the minutes given would keep; null where none needs any. */
  readonly fits: number | null;
}

/** Working time of the last weeks, by kind of work or in number facts. */
export interface TimeLine {
  readonly kind: WorkKind | "facts";
  readonly minutes: number;
  readonly share: number;
  /** Share right at the first try; null where nothing is. */
  readonly right: number | null;
}

/** A skill in a class's review. */
export interface ReviewSkillLine {
  readonly skillId: string;
  readonly name: string;
  readonly strand: string;
  readonly place: ReviewPlace;
  /** Students of whom it is asked. */
  readonly askedOf: number;
  /** Students who stand Secure today on enough evidence, and those who have ever mastered it, of all in the class. */
  readonly secure: number;
  readonly masteredOnce: number;
  readonly students: number;
  /** Mean chance of recall today over those who mastered it once, and how many that are; null for nobody. */
  readonly recall: number | null;
  readonly recallOf: number;
  /** Median days since it last came right at once; null where it is asked of nobody. */
  readonly waiting: number | null;
  readonly tries: number;
  readonly right: number;
  /** What exercises it anyway. */
  readonly within: { readonly name: string; readonly because: "prerequisite" | "standards" } | null;
  /** The day on which it came into the first student's review; null where it is in none. */
  readonly entered: string | null;
}

export interface ReviewStudentLine {
  readonly studentId: string;
  readonly name: string;
  readonly on: boolean;
  readonly differs: boolean;
  readonly skills: number;
  /** Null with nothing in review. */
  readonly remembered: number | null;
  readonly needed: number;
  readonly given: number;
  readonly due: number;
  /** Due today, but beyond the day's minutes. */
  readonly leftOver: number;
  readonly accuracy: { readonly right: number; readonly of: number };
  readonly today: "done" | "begun" | "not-yet" | "nothing-due";
  readonly lastDay: string | null;
}

export interface ReviewProposalLine {
  readonly skillId: string;
  readonly name: string;
  readonly what: "rest" | "reteach";
  readonly reason: ReviewReason;
  /** Name of the skill that exercises it anyway, where that is the reason. */
  readonly within: string | null;
  /** Who does not stand Secure in it; only where it is to be taught again. */
  readonly lacking: readonly { readonly id: string; readonly name: string }[];
}

export interface ClassReviewView {
  readonly classId: string;
  readonly className: string;
  readonly on: boolean;
  readonly settings: ReviewSettings;
  /** Null with nothing in review. */
  readonly figures: ReviewFigures | null;
  readonly times: readonly TimeLine[];
  readonly skills: readonly ReviewSkillLine[];
  readonly proposals: readonly ReviewProposalLine[];
  readonly students: readonly ReviewStudentLine[];
  /** Skills that could be taken in and are not. */
  readonly outside: readonly { readonly skillId: string; readonly name: string; readonly strand: string }[];
  /** So many weeks do the time, the tries and the shares go back. */
  readonly weeksBack: number;
}

/** A skill in one student's review, as the teacher sees it. */
export interface StudentReviewSkill {
  readonly skillId: string;
  readonly name: string;
  readonly strand: string;
  readonly place: ReviewPlace;
  readonly chosen: "student" | "class" | null;
  /** Chance of recall today; null for what was never mastered. */
  readonly recall: number | null;
  readonly due: boolean;
  readonly daysSinceMet: number;
  readonly entered: string;
  readonly tries: number;
  readonly right: number;
}

export interface StudentReviewView {
  readonly classId: string;
  readonly className: string;
  readonly studentId: string;
  readonly name: string;
  readonly on: boolean;
  readonly settings: ReviewSettings;
  /** Has something that differs from the class. */
  readonly differs: boolean;
  readonly remembered: number | null;
  readonly needed: number;
  readonly given: number;
  readonly skills: readonly StudentReviewSkill[];
  readonly outside: ClassReviewView["outside"];
}

/** What would change. Weeks are counted from today. */
export interface ReviewForecast {
  readonly students: number;
  readonly before: readonly ForecastWeek[] | null;
  readonly after: readonly ForecastWeek[] | null;
  /** Work that is given at the moment and goes over the chosen skills: resting does not touch it. */
  readonly assigned: readonly { readonly skill: string; readonly work: string }[];
}

/** A student's own picture of what is kept. */
export interface KeptView {
  readonly reviews: readonly {
    readonly classId: string;
    readonly subject: string;
    readonly skills: readonly KeptSkill[];
    readonly today: "done" | "begun" | "due" | "nothing-due";
    readonly minutes: number;
    /** Times that something came back in the last weeks, and came right at once. */
    readonly met: number;
    readonly right: number;
  }[];
}

export interface KeptSkill {
  readonly name: string;
  /** Days until it comes back; 0 or less is due. */
  readonly inDays: number;
  readonly since: string;
  readonly resting: boolean;
}

/** What in a class's review wants the teacher. */
export interface ReviewSigns {
  readonly classId: string;
  readonly className: string;
  /** Who review. */
  readonly students: number;
  /** Whose minutes do not keep what is in their review, and how many more a day would (median of theirs). */
  readonly short: readonly { readonly id: string; readonly name: string }[];
  readonly moreMinutes: number;
  /** Had something due and has not come for more than a school week. */
  readonly missed: readonly { readonly id: string; readonly name: string }[];
  /** Hardly ever right at the first try. */
  readonly tooHard: readonly {
    readonly skillId: string;
    readonly name: string;
    readonly right: number;
    readonly tries: number;
    readonly lacking: readonly { readonly id: string; readonly name: string }[];
  }[];
}
