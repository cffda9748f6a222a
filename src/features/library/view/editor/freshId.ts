/**
 * A short name that none of the others has.
 * @example freshId(["a", "c"]) // "b"
 */
export function freshId(taken: readonly string[]): string {
  for (let number = 0; ; number++) {
    const name = number < 26 ? String.fromCharCode(97 + number) : `o${number}`;
    if (!taken.includes(name)) return name;
  }
}
