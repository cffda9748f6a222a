/** Names to look for, by their first word in small letters, the longest first. */
export type NameIndex = ReadonlyMap<string, readonly string[]>;

const WORD = /[\p{L}\p{M}\p{N}]+/gu;
const LETTER = /[\p{L}\p{M}\p{N}]/u;

const folded = (text: string) => text.toLocaleLowerCase("en").replaceAll("’", "'");

/**
 * Makes the ways ready in which a person can be named on a screen: in full, family name first, with the family name's first
 * letter, or by the given name alone.
 * @example namesInText("Ada", nameIndex([{ givenName: "Ada", familyName: "Quill" }])).length // 1
 */
export function nameIndex(people: readonly { readonly givenName: string; readonly familyName: string }[]): NameIndex {
  const names = new Set<string>();
  for (const { givenName, familyName } of people) {
    const [given, family] = [folded(givenName.trim()), folded(familyName.trim())];
    if (given === "") continue;
    names.add(given);
    if (family === "") continue;
    names.add(`${given} ${family}`);
    names.add(`${given} ${family.slice(0, 1)}`);
    names.add(`${family}, ${given}`);
    names.add(`${family} ${given}`);
  }
  const index = new Map<string, string[]>();
  for (const name of [...names].sort((x, y) => y.length - x.length)) {
    const first = name.match(WORD)?.[0];
    if (first === undefined) continue;
    index.set(first, [...(index.get(first) ?? []), name]);
  }
  return index;
}

/**
 * Where the names stand in a text: from (inclusive) and to (exclusive), in order, none overlapping another.
 * @example namesInText("Well done, Ada!", nameIndex([{ givenName: "Ada", familyName: "Quill" }])) // [[11, 14]]
 */
export function namesInText(text: string, index: NameIndex): [from: number, to: number][] {
  const small = folded(text);
  // Where lower case is longer than the text itself, places would not agree; such texts are looked at as they are.
  const searched = small.length === text.length ? small : text;
  const found: [number, number][] = [];
  let end = 0;
  for (const { 0: word, index: from } of searched.matchAll(WORD)) {
    if (from < end) continue;
    const name = index
      .get(word)
      ?.find((one) => searched.startsWith(one, from) && !LETTER.test(searched.charAt(from + one.length)));
    if (name === undefined) continue;
    end = from + name.length;
    found.push([from, end]);
  }
  return found;
}
