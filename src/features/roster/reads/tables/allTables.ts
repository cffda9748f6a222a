import "server-only";
import { ROSTER_FILES, type RosterFile } from "@/core/roster/rosterRecord";
import { classes } from "./classes";
import { classStaff } from "./classStaff";
import { courses } from "./courses";
import { enrollments } from "./enrollments";
import { memberships } from "./memberships";
import { people } from "./people";
import { roles } from "./roles";
import type { RosterTable } from "./rosterTable";
import { schools } from "./schools";
import { supports } from "./supports";
import { terms } from "./terms";

/** The tables of each file; the compiler wants every file of a roster here. */
const BY_FILE: Readonly<Record<RosterFile, readonly RosterTable[]>> = {
  orgs: [schools],
  academicSessions: [terms],
  courses: [courses],
  classes: [classes],
  users: [people],
  roles: [roles],
  enrollments: [classStaff, enrollments],
  memberships: [memberships],
  supports: [supports],
};

/** All tables of a roster, in an order in which each refers only to those before it. */
export const ROSTER_TABLES: readonly RosterTable[] = ROSTER_FILES.flatMap((file) => BY_FILE[file]);

export const tablesOf = (file: RosterFile): readonly RosterTable[] => BY_FILE[file];
