import type { FileCount } from "./rosterDifference";
import type { RosterFile } from "./rosterRecord";
import { type RosterRemark, remark } from "./rosterRemark";

/** A share of the roster that ends with one file is rarely meant when it is larger than this. */
const UNUSUAL_SHARE = 0.1;
/** Fewer than so many at once are looked at one by one anyway. */
const LEAST_UNUSUAL = 10;
/** Half of anything is unusual from so few on. */
const LEAST_OF_HALF = 3;

/** What a whole roster loses by mistake; memberships and supports come with a sheet that somebody has just made. */
const WARNED_OF: readonly string[] = [
  "users",
  "classes",
  "enrollments",
  "roles",
  "orgs",
  "courses",
] satisfies RosterFile[];

/**
 * Changes so large that the file is likely incomplete; applying asks for each to be confirmed.
 * @example importWarnings({ users: { active: 20, added: 0, changed: 0, inactive: 12, restored: 0, unchanged: 8, kept: 0, over: 0 } })[0].code // "many-inactive"
 */
export function importWarnings(counts: Readonly<Partial<Record<RosterFile, FileCount>>>): RosterRemark[] {
  return Object.entries(counts).flatMap(([file, { active, inactive }]) => {
    if (!WARNED_OF.includes(file) || active === 0) return [];
    const share = inactive / active;
    const unusual = (inactive >= LEAST_UNUSUAL && share > UNUSUAL_SHARE) || (inactive >= LEAST_OF_HALF && share >= 0.5);
    return unusual ? [remark("many-inactive", { inactive, active, file: file as RosterFile })] : [];
  });
}
