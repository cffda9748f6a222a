import { reachesCut } from "../measurement/reachesCut";
import type { Level } from "../model/levels";
import type { Rational } from "../numeric/rational";

/** Where one student stands with one skill. */
export interface Standing {
  readonly level: Level;
  readonly tooLittle: boolean;
  readonly old: boolean;
  readonly mastered: boolean;
  /** The chance that everything it builds on is mastered, 0 to 1. */
  readonly ready: number;
  readonly snag: boolean;
  /** Has open work on it. */
  readonly hasWork: boolean;
  readonly groupIds: readonly string[];
  /** What they have of pieces of work, by the work; nothing for what they were not given. */
  readonly works?: Readonly<Record<string, WorkStanding>> | undefined;
}

/** How far one student is with a piece of work. */
export interface WorkStanding {
  readonly begun: boolean;
  readonly through: boolean;
  /** The share that was right, exact, 0 to 1; null before anything was. */
  readonly share: Rational | null;
}

/** What is wished of a piece of work. "below": less than so many per cent right, of those who have shown something. */
export type InWork =
  | { readonly workId: string; readonly is: "not-begun" | "not-through" | "through" }
  | { readonly workId: string; readonly is: "below" | "reached"; readonly percent: number };

/** How far somebody has come. "not-secure" takes those with too little evidence along: nobody knows that they have it. */
export const WHOM_LEVELS = ["not-secure", "beginning", "developing", "secure", "too-little", "everyone"] as const;

/** Whom a teacher means, for one skill; a wish that is left out narrows nothing. */
export interface Whom {
  readonly level: (typeof WHOM_LEVELS)[number];
  readonly ready?: "ready" | "not-ready";
  readonly work?: "without" | "with";
  readonly snag?: boolean;
  readonly old?: boolean;
  readonly groupId?: string;
  readonly inWork?: InWork;
}

/** From this chance on somebody counts as ready for a skill. */
const READY_FROM = 0.5;

/**
 * Whether a student is meant. Whoever has mastered a skill is meant only by "secure" or "everyone".
 * @example whomFits({ level: "not-secure" }, { level: "developing", tooLittle: false, old: false, mastered: false, ready: 1, snag: false, hasWork: false, groupIds: [] }) // true
 */
export function whomFits(whom: Whom, standing: Standing): boolean {
  const isReady = standing.ready >= READY_FROM;
  return (
    levelFits(whom.level, standing) &&
    (whom.ready === undefined || isReady === (whom.ready === "ready")) &&
    (whom.work === undefined || standing.hasWork === (whom.work === "with")) &&
    (whom.snag === undefined || standing.snag === whom.snag) &&
    (whom.old === undefined || standing.old === whom.old) &&
    (whom.groupId === undefined || standing.groupIds.includes(whom.groupId)) &&
    (whom.inWork === undefined || workFits(whom.inWork, standing.works?.[whom.inWork.workId]))
  );
}

/** Whoever was not given the work is not meant by it. */
function workFits(wish: InWork, found: WorkStanding | undefined): boolean {
  if (found === undefined) return false;
  switch (wish.is) {
    case "not-begun":
      return !found.begun;
    case "not-through":
      return !found.through;
    case "through":
      return found.through;
    default:
      return found.share !== null && reachesCut(found.share, wish.percent) === (wish.is === "reached");
  }
}

function levelFits(wanted: Whom["level"], { level, tooLittle, mastered }: Standing): boolean {
  const isSecure = !tooLittle && (mastered || level === "secure" || level === "extending");
  switch (wanted) {
    case "everyone":
      return true;
    case "too-little":
      return tooLittle && !mastered;
    case "secure":
      return isSecure;
    case "not-secure":
      return !isSecure && !mastered;
    default:
      return !tooLittle && !mastered && level === wanted;
  }
}
