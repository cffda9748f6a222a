/**
 * Which of some codes a pasted text names, whole and whatever their case, and what is left of it that is no code; codes may hold spaces themselves.
 * @example codesNamed("WV 5.R1, x9; 6.a", ["WV 5.R1", "6.A", "5.R1b"]) // { named: ["WV 5.R1", "6.A"], unknown: ["x9"] }
 */
export function codesNamed(
  text: string,
  codes: readonly string[],
): { readonly named: readonly string[]; readonly unknown: readonly string[] } {
  let rest = ` ${plain(text)} `;
  const named = new Set<string>();
  // Longer ones first: one code may begin like another.
  for (const code of [...new Set(codes)].sort((x, y) => y.length - x.length)) {
    const wanted = ` ${plain(code)} `;
    if (wanted.trim() === "" || !rest.includes(wanted)) continue;
    named.add(code);
    while (rest.includes(wanted)) rest = rest.replace(wanted, " ");
  }
  return { named: codes.filter((code) => named.has(code)), unknown: rest.split(" ").filter((word) => word !== "") };
}

const plain = (text: string): string =>
  text
    .replace(/[,;\s]+/g, " ")
    .trim()
    .toLocaleLowerCase();
