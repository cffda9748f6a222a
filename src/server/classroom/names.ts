import "server-only";
import { fullNamesApart, namesApart } from "@/core/roster/namesApart";

export interface NamedPerson {
  readonly id: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly studentNumber: string | null;
}

/** What each of the people on a page is called there, by id: short, and told apart where two would read the same. */
export function shortNames(people: readonly NamedPerson[]): ReadonlyMap<string, string> {
  return byId(people, namesApart);
}

/** The same with whole names, for where there is room. */
export function fullNames(people: readonly NamedPerson[]): ReadonlyMap<string, string> {
  return byId(people, fullNamesApart);
}

/** Somebody who stands on a page twice is one person, told apart from others only. */
function byId(people: readonly NamedPerson[], names: (people: readonly NamedPerson[]) => string[]) {
  const each = [...new Map(people.map((person) => [person.id, person])).values()];
  const found = names(each);
  return new Map(each.map(({ id }, place) => [id, found[place] ?? ""]));
}
