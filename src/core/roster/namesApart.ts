import { fullName } from "./fullName";

interface Named {
  readonly givenName: string;
  readonly familyName: string;
  /** The school's own number, where there is one. */
  readonly studentNumber: string | null;
}

/** Last signs of a number that tell two children of one name apart. */
const NUMBER_SIGNS = 3;

/**
 * What each student is called in a list, in the order given: given name and the family name's first letter; in full where two
 * would read the same; with the end of their number where even their names are the same.
 * @example namesApart([{ givenName: "Ada", familyName: "Quill", studentNumber: "1" }, { givenName: "Ada", familyName: "Reed", studentNumber: "2" }]) // ["Ada Q", "Ada R"]
 */
export function namesApart(students: readonly Named[]): string[] {
  const full = fullNamesApart(students);
  const short = students.map(({ givenName, familyName }) => `${givenName} ${[...familyName][0] ?? ""}`.trim());
  const isShared = sharedAmong(short);
  return short.map((brief, place) => (isShared(brief) ? (full[place] ?? brief) : brief));
}

/**
 * The same where whole names have room: with the end of their number where two names are the same.
 * @example fullNamesApart([{ givenName: "Ada", familyName: "Quill", studentNumber: "1" }, { givenName: "Ada", familyName: "Quill", studentNumber: "2" }]) // ["Ada Quill …1", "Ada Quill …2"]
 */
export function fullNamesApart(students: readonly Named[]): string[] {
  const full = students.map(fullName);
  const isShared = sharedAmong(full);
  return students.map(({ studentNumber }, place) => {
    const whole = full[place] ?? "";
    return isShared(whole) && studentNumber ? `${whole} …${studentNumber.slice(-NUMBER_SIGNS)}` : whole;
  });
}

function sharedAmong(names: readonly string[]): (name: string) => boolean {
  const counts = new Map<string, number>();
  const folded = (name: string) => name.toLocaleLowerCase("en");
  for (const name of names) counts.set(folded(name), (counts.get(folded(name)) ?? 0) + 1);
  return (name) => (counts.get(folded(name)) ?? 0) > 1;
}
