import type { FileCount } from "./rosterDifference";
import type { RosterFile } from "./rosterRecord";

/** A share of the roster that ends with one file is rarely meant when it is larger than this. */
const UNUSUAL_SHARE = 0.1;
/** Fewer than so many at once are looked at one by one anyway. */
const LEAST_UNUSUAL = 10;
/** Half of anything is unusual from so few on. */
const LEAST_OF_HALF = 3;

const WORDS: Readonly<Partial<Record<RosterFile, string>>> = {
  users: "people",
  classes: "classes",
  enrollments: "enrollments",
  roles: "roles",
  orgs: "schools",
  courses: "courses",
};

/** Sentences about changes so large that the file is likely incomplete; applying asks for each to be confirmed. */
export function importWarnings(counts: Readonly<Partial<Record<RosterFile, FileCount>>>): string[] {
  return Object.entries(counts).flatMap(([file, { active, inactive }]) => {
    const word = WORDS[file as RosterFile];
    if (!word || active === 0) return [];
    const share = inactive / active;
    const unusual = (inactive >= LEAST_UNUSUAL && share > UNUSUAL_SHARE) || (inactive >= LEAST_OF_HALF && share >= 0.5);
    return unusual ? [`This would make ${inactive} of ${active} ${word} inactive. Is the file complete?`] : [];
  });
}
