/** Two or three letters for lists where a group's name has no room: the first letters of its words. */
export function labelOf(name: string): string {
  const words = name.split(/[^\p{L}\p{N}]+/u).filter((word) => word !== "");
  const letters =
    words.length > 1 ? words.slice(0, 3).map((word) => word.slice(0, 1)) : [(words[0] ?? "?").slice(0, 2)];
  return letters.join("").toUpperCase();
}
