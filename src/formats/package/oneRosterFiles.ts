import type { RosterFile } from "@/core/roster/rosterRecord";

/** The rostering files of OneRoster 1.2 in the order in which they refer to each other. */
export const ONE_ROSTER_FILES = [
  "orgs",
  "academicSessions",
  "courses",
  "classes",
  "users",
  "roles",
  "enrollments",
] as const satisfies readonly RosterFile[];
export type OneRosterFile = (typeof ONE_ROSTER_FILES)[number];

export type ColumnKind =
  | { readonly kind: "text" }
  /** Comma-separated inside one cell. */
  | { readonly kind: "list" }
  | { readonly kind: "date" }
  | { readonly kind: "instant" }
  | { readonly kind: "year" }
  | { readonly kind: "flag" }
  /** Grade codes KG, 01 to 12 and the others of the CEDS list, comma-separated. */
  | { readonly kind: "grades" }
  | { readonly kind: "one-of"; readonly values: readonly string[] }
  | { readonly kind: "reference"; readonly to: OneRosterFile }
  | { readonly kind: "references"; readonly to: OneRosterFile };

export interface OneRosterColumn {
  readonly name: string;
  readonly required: boolean;
  readonly of: ColumnKind;
}

const TEXT: ColumnKind = { kind: "text" };
const LIST: ColumnKind = { kind: "list" };
const DATE: ColumnKind = { kind: "date" };
const oneOf = (...values: string[]): ColumnKind => ({ kind: "one-of", values });
const to = (file: OneRosterFile): ColumnKind => ({ kind: "reference", to: file });
const must = (name: string, of: ColumnKind = TEXT): OneRosterColumn => ({ name, required: true, of });
const may = (name: string, of: ColumnKind = TEXT): OneRosterColumn => ({ name, required: false, of });

const HEAD = [
  must("sourcedId"),
  may("status", oneOf("active", "tobedeleted")),
  may("dateLastModified", { kind: "instant" }),
];
const ROLES = [
  "administrator",
  "aide",
  "counselor",
  "districtAdministrator",
  "guardian",
  "parent",
  "principal",
  "proctor",
  "relative",
  "siteAdministrator",
  "student",
  "systemAdministrator",
  "teacher",
];

/** Columns of each file as the standard orders them (1EdTech OneRoster 1.2 CSV binding). */
export const ONE_ROSTER_COLUMNS: Readonly<Record<OneRosterFile, readonly OneRosterColumn[]>> = {
  academicSessions: [
    ...HEAD,
    must("title"),
    must("type", oneOf("gradingPeriod", "semester", "schoolYear", "term")),
    must("startDate", DATE),
    must("endDate", DATE),
    may("parentSourcedId", to("academicSessions")),
    must("schoolYear", { kind: "year" }),
  ],
  orgs: [
    ...HEAD,
    must("name"),
    must("type", oneOf("department", "school", "district", "local", "state", "national")),
    may("identifier"),
    may("parentSourcedId", to("orgs")),
  ],
  courses: [
    ...HEAD,
    may("schoolYearSourcedId", to("academicSessions")),
    must("title"),
    may("courseCode"),
    may("grades", { kind: "grades" }),
    must("orgSourcedId", to("orgs")),
    may("subjects", LIST),
    may("subjectCodes", LIST),
  ],
  classes: [
    ...HEAD,
    must("title"),
    may("grades", { kind: "grades" }),
    must("courseSourcedId", to("courses")),
    may("classCode"),
    must("classType", oneOf("homeroom", "scheduled")),
    may("location"),
    must("schoolSourcedId", to("orgs")),
    must("termSourcedIds", { kind: "references", to: "academicSessions" }),
    may("subjects", LIST),
    may("subjectCodes", LIST),
    may("periods", LIST),
  ],
  users: [
    ...HEAD,
    must("enabledUser", { kind: "flag" }),
    must("username"),
    may("userIds", LIST),
    must("givenName"),
    must("familyName"),
    may("middleName"),
    may("identifier"),
    may("email"),
    may("sms"),
    may("phone"),
    may("agentSourcedIds", { kind: "references", to: "users" }),
    may("grades", { kind: "grades" }),
    may("password"),
    may("userMasterIdentifier"),
    may("resourceSourcedIds", LIST),
    may("preferredGivenName"),
    may("preferredMiddleName"),
    may("preferredFamilyName"),
    may("primaryOrgSourcedId", to("orgs")),
    may("pronouns"),
  ],
  roles: [
    ...HEAD,
    must("userSourcedId", to("users")),
    must("roleType", oneOf("primary", "secondary")),
    must("role", oneOf(...ROLES)),
    may("beginDate", DATE),
    may("endDate", DATE),
    must("orgSourcedId", to("orgs")),
    may("userProfileSourcedId"),
  ],
  enrollments: [
    ...HEAD,
    must("classSourcedId", to("classes")),
    must("schoolSourcedId", to("orgs")),
    must("userSourcedId", to("users")),
    must("role", oneOf("administrator", "proctor", "student", "teacher")),
    may("primary", { kind: "flag" }),
    may("beginDate", DATE),
    may("endDate", DATE),
  ],
};
