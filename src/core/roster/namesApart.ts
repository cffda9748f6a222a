interface Named {
  readonly givenName: string;
  readonly familyName: string;
  /** The school's own number, where there is one. */
  readonly studentNumber: string | null;
}

/** Last signs of a number that tell two children of one name apart. */
const NUMBER_SIGNS = 3;

/**
 * What each child of a class is called on the list at the door, in the order given: given name and the family name's first letter; in
 * full where two would read the same; with the end of their number where even their names are the same.
 */
export function namesApart(students: readonly Named[]): string[] {
  const short = students.map(({ givenName, familyName }) => `${givenName} ${[...familyName][0] ?? ""}`.trim());
  const full = students.map(({ givenName, familyName }) => `${givenName} ${familyName}`.trim());
  return students.map(({ studentNumber }, place) => {
    const [brief = "", whole = ""] = [short[place], full[place]];
    if (!twice(brief, short)) return brief;
    if (!twice(whole, full) || !studentNumber) return whole;
    return `${whole} …${studentNumber.slice(-NUMBER_SIGNS)}`;
  });
}

const twice = (name: string, names: readonly string[]): boolean => {
  const same = (other: string) => other.toLocaleLowerCase("en") === name.toLocaleLowerCase("en");
  return names.filter(same).length > 1;
};
