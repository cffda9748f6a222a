import type { OneRosterRow } from "./oneRosterPackage";

/** Roles as 1.2 has them, from the users of a 1.1 package, which name one role and their schools themselves. */
export function rolesOfOlderUsers(users: readonly OneRosterRow[]): OneRosterRow[] {
  return users.flatMap((user) => {
    const orgs = (user.orgSourcedIds ?? "")
      .split(",")
      .map((org) => org.trim())
      .filter(Boolean);
    return orgs.map((org, place) => ({
      sourcedId: `${user.sourcedId ?? ""}-${org}`,
      status: user.status ?? "",
      dateLastModified: user.dateLastModified ?? "",
      userSourcedId: user.sourcedId ?? "",
      roleType: place === 0 ? "primary" : "secondary",
      role: user.role ?? "",
      beginDate: "",
      endDate: "",
      orgSourcedId: org,
      userProfileSourcedId: "",
    }));
  });
}
